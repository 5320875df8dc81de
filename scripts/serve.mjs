// The server as it was built last, without looking whether that is still so.
const { main } = await import('../dist/server/main.mjs');
main(process.argv.slice(2));
