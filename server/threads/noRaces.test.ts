import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

const SERVER = fileURLToPath(new URL('..', import.meta.url));

describe('the server', () => {
  // A race keeps what its winner was for as long as its loser lives; what loses goes on, and nobody waits for it.
  it('races no promises', () => {
    const racing = readdirSync(SERVER, { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
      .filter((name) => /Promise\.(?:race|any)\(/.test(readFileSync(join(SERVER, name), 'utf8')));
    expect(racing).toEqual([]);
  });
});
