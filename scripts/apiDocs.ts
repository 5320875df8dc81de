/* Writes docs/api: the OpenAPI document, a page of it, and the JSON Schemas of the open files. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { collectionListSchema } from '../server/collections/collectionFile.ts';
import { packListSchema } from '../server/packs/packFile.ts';
import { ROUTES } from '../contract/index.ts';
import { jsonSchemaFile } from '../contract/jsonSchema.ts';
import { openApi } from '../contract/openApi.ts';
import { designSchema } from '../core/document/index.ts';
import { artworkSchema } from '../core/motif/index.ts';
import { recipeSchema } from '../core/recipe/index.ts';
import { productSchema, tryOnSchema } from '../core/tryon/index.ts';

const folder = new URL('../docs/api/', import.meta.url);
mkdirSync(folder, { recursive: true });
const write = (name: string, text: string): void => writeFileSync(new URL(name, folder), text);
const json = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

write('openapi.json', json(openApi()));
for (const [name, schema] of [
  ['design', designSchema],
  ['collection', collectionListSchema],
  ['pack', packListSchema],
  ['recipe', recipeSchema],
  ['artwork', artworkSchema],
  ['product', productSchema],
  ['try-on', tryOnSchema],
] as const)
  write(`${name}.schema.json`, json(jsonSchemaFile(name, schema)));

const rows = Object.entries(ROUTES).map(([name, { method, path, summary, status, answer, events, problems }]) => {
  const done = answer === undefined && !events ? 204 : (status ?? 200);
  return `| \`${method} /api${path}\` | ${summary} | ${[done, ...problems].join(', ')} | ${name} |`;
});
write(
  'README.md',
  `# The API

Made from \`contract/\` by \`npm run docs\`; [openapi.json](openapi.json) is the whole of it, with the schema of every body and answer.
Bodies and answers are JSON unless they are files. A problem is \`application/problem+json\` (RFC 9457); its \`detail\` is a sentence. Any route can also answer 400, 403, 408, 421, 500, 503 and 507.
What changes something needs the header \`X-Requested-With: Hevrel\`, which pages from elsewhere cannot send.

| route | what it does | statuses | name |
|---|---|---|---|
${rows.join('\n')}
`,
);
