import { main } from '../server/main.ts';

await main(process.argv.slice(2));
