import { spawn, type ChildProcess } from "node:child_process";
import { createServer as createHttp } from "node:http";
import { createServer } from "node:net";
import { test as plain, type Page } from "@playwright/test";
import { expect, fill, stored, trialDone } from "./fixtures";

/** A server of its own, that is stopped in the middle. */
async function serve(): Promise<{ base: string; stop: () => Promise<void> }> {
  const port = await new Promise<number>((resolve) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const { port: free } = probe.address() as { port: number };
      probe.close(() => resolve(free));
    });
  });
  const server: ChildProcess = spawn(process.execPath, ["scripts/server.mjs"], {
    stdio: "ignore",
    env: { ...process.env, NODE_ENV: "production", PORT: String(port) },
  });
  const base = `http://127.0.0.1:${port}`;
  await expect(async () => expect((await fetch(base)).ok).toBe(true)).toPass();
  const stop = () =>
    new Promise<void>((resolve) => {
      server.on("exit", () => resolve());
      server.kill("SIGKILL");
    });
  return { base, stop };
}

/** Stands before a server and, once told, says that its service worker is another: the same with a line more. */
async function inFrontOf(behind: string) {
  let newer = false;
  const front = createHttp();
  front.on("request", (request, response) => {
    // Asked whole each time: an answer that nothing has changed would hide what is added.
    const {
      host: _host,
      connection: _connection,
      "if-none-match": _tag,
      "if-modified-since": _since,
      ...headers
    } = request.headers as Record<string, string>;
    fetch(behind + request.url!, { redirect: "manual", headers })
      .then(async (answer) => {
        const kept = [...answer.headers].filter(([name]) => !/encoding|length|connection/.test(name));
        let body = Buffer.from(await answer.arrayBuffer());
        if (newer && request.url === "/sw.js") body = Buffer.concat([body, Buffer.from("\n// newer")]);
        response.writeHead(answer.status, Object.fromEntries(kept)).end(body);
      })
      .catch(() => response.destroy());
  });
  await new Promise<void>((resolve) => front.listen(0, "127.0.0.1", resolve));
  const { port } = front.address() as { port: number };
  return {
    base: `http://127.0.0.1:${port}`,
    renew: () => void (newer = true),
    close: () => {
      front.closeAllConnections();
      front.close();
    },
  };
}

const test = plain.extend({ serviceWorkers: "allow" });
const kept = (page: Page) =>
  page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready;
    return active?.state;
  });

test("every page works without the server after the first visit, reloads and edits included", async ({ browser }) => {
  const { base, stop } = await serve();
  const context = await browser.newContext({ locale: "en-GB", serviceWorkers: "allow", baseURL: base });
  const page = await context.newPage();
  const outside: string[] = [];
  const violations: string[] = [];
  context.on("request", (r) => {
    if (!r.url().startsWith(base) && !/^(data|blob):/.test(r.url())) outside.push(r.url());
  });
  context.on("console", (m) => {
    if (/Content Security Policy|integrity/i.test(m.text())) violations.push(m.text());
  });
  context.on("weberror", (e) => violations.push(e.error().message));
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await expect.poll(() => kept(page)).toBe("activated");
  await page.goto("/preferences");
  await expect(page.getByText("Every page opens without the server too")).toBeVisible();
  await stop();

  // From one page to the next by their links, and a bench that computes in its worker.
  await page.getByRole("link", { name: "Back to the Shelf" }).click();
  await page.getByRole("link", { name: "Open Larder cabinet, rye saison" }).click();
  await trialDone(page);
  await page.keyboard.press("6");
  await fill(page, "Setpoint", "24.3");
  await trialDone(page);
  await stored(page);
  await page.reload();
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.3");
  await trialDone(page);
  // Stations change without a question to the server, and "back" comes back.
  const asked: string[] = [];
  page.on("request", (r) => {
    // Files of the build and the icon come out of the cache.
    if (!/\/icon\.svg|\/_next\/static\//.test(r.url())) asked.push(r.url());
  });
  await page.keyboard.press("2");
  await expect(page.getByRole("heading", { level: 2, name: /In what box/ })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole("heading", { level: 2, name: /What do you key/ })).toBeVisible();
  expect(asked).toEqual([]);
  for (const [path, words] of [
    ["/", "Larder cabinet, rye saison"],
    ["/new", "1. What is in it?"],
    ["/card?c=demo-larder-cabinet", "Card for the door"],
    ["/preferences", "Backup"],
    ["/reference", "Reference"],
  ] as const) {
    await page.goto(path);
    await expect(page.getByRole("heading", { name: words }).first()).toBeVisible();
  }
  await page.goto("/card?c=demo-larder-cabinet");
  await expect(page.locator("[data-ready='true']")).toBeVisible();
  expect([outside, violations]).toEqual([[], []]);
  await context.close();
});

test("a newer application is asked for, waits for the store, and never comes by itself", async ({ browser }) => {
  const { base: behind, stop } = await serve();
  const front = await inFrontOf(behind);
  const context = await browser.newContext({ locale: "en-GB", serviceWorkers: "allow", baseURL: front.base });
  const page = await context.newPage();
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await expect.poll(() => kept(page)).toBe("activated");
  await page.goto("/bench?c=demo-larder-cabinet&at=settings");
  await trialDone(page);
  front.renew();
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  const notice = page.getByText("A newer Gentle Crock is here");
  await expect(notice).toBeVisible();
  await page.getByRole("textbox", { name: "Compressor delay" }).fill("9 min");
  // Nothing comes by itself: what is being typed stands.
  await page.waitForTimeout(500);
  await expect(page.getByRole("textbox", { name: "Compressor delay" })).toHaveValue("9 min");
  const loaded = page.waitForEvent("load");
  await page.getByRole("button", { name: "Take it" }).click();
  await loaded;
  await trialDone(page);
  await expect(notice).toHaveCount(0);
  // The field was left for the button, and so its value was taken over and stored before the page went.
  await expect(page.getByRole("textbox", { name: "Compressor delay" })).toHaveValue("9");
  await context.close();
  front.close();
  await stop();
});
