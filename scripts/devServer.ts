import { main } from '../server/main.ts';

main(process.argv.slice(2));
