// Installs, builds and starts the application with its demo, and prints the address.
import { install, node, serve } from "./run.mjs";

const port = Number(process.env.PORT ?? 4318);
install();
if (!node(["scripts/build.mjs"])) process.exit(1);
try {
  const server = await serve(port);
  console.log(`\nGentle Crock with its demo:  http://127.0.0.1:${port}/demo\n\nStop it with Ctrl+C.`);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
