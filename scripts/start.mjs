// Starts the built application.
import { serve } from "./run.mjs";

const port = Number(process.env.PORT ?? 4318);
try {
  const server = await serve(port);
  console.log(`Gentle Crock:  http://127.0.0.1:${port}/`);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
