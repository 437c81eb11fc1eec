// The built application on a port: Next's own handler, and before it what it answers with no reason of its own.
import { createServer } from "node:http";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import next from "next";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const port = Number(process.env.PORT ?? 4318);
const hostname = "127.0.0.1";

/** Why a request cannot be answered at all, as status and words; null where it can. */
function refusal(method, url) {
  if (method === "TRACE")
    return [405, "This is not answered to anybody.", "Use GET, and POST for a call.", { Allow: "GET, HEAD, POST" }];
  try {
    decodeURIComponent(url.split("?")[0]);
    return null;
  } catch {
    return [400, "This address cannot be read: a % in it begins no character.", "Write it anew.", {}];
  }
}

const app = next({ dev: false, dir: root, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => {
  const refused = refusal(request.method, request.url ?? "/");
  if (!refused) return void handle(request, response);
  const [status, why, mend, headers] = refused;
  const door = request.url.startsWith("/api/");
  response.writeHead(status, {
    "Content-Type": door ? "application/json" : "text/plain; charset=utf-8",
    "Cache-Control": "no-store",
    "X-Content-Type-Options": "nosniff",
    ...headers,
  });
  response.end(door ? JSON.stringify({ problem: { field: "", why, mend } }) : `${why} ${mend}\n`);
});
server.on("error", (error) => {
  console.error(error.message);
  process.exit(1);
});
server.listen(port, hostname);
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => process.exit(0));
