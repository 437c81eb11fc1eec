// Benchmark: prints figures, judges nothing. Needs a build (`npm run build`), made here when it is missing.
import { chromium as browserType } from "@playwright/test";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { benchRooms } from "./bench-room.mjs";
import { chromium } from "./chromium.mjs";
import { install, node, root, serve } from "./run.mjs";

install();
const executablePath = chromium();
if (!executablePath) process.exit(1);
if (!existsSync(join(root, ".next/BUILD_ID")) && !node(["scripts/build.mjs"])) process.exit(1);

const port = Number(process.env.PORT ?? 4320);
const server = await serve(port, true);
const quantile = (values, q) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))];
const ms = (value) => `${value.toFixed(0)} ms`;

/** Compressed size of the JavaScript that the page itself names, and of what it loads once it stands. */
async function saySize(page, name, path) {
  const scripts = new Map();
  const note = async (response) => {
    if (response.request().resourceType() !== "script" && !response.url().endsWith(".js")) return;
    // A page that goes on takes the bodies of its answers with it.
    const body = await response.body().catch(() => null);
    if (body) scripts.set(new URL(response.url()).pathname, gzipSync(body).length);
  };
  page.on("response", note);
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.waitForLoadState("networkidle");
  await page.waitForTimeout(1000);
  page.off("response", note);
  const first = await fetch(`http://127.0.0.1:${port}${path}`).then((r) => r.text());
  const sum = (named) =>
    [...scripts].reduce((all, [script, size]) => all + (first.includes(script) === named ? size : 0), 0) / 1000;
  console.log(
    `JavaScript of the ${name}: first load ${sum(true).toFixed(0)} kB compressed, and ${sum(false).toFixed(0)} kB once it stands`,
  );
}

try {
  const browser = await browserType.launch({
    executablePath,
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: "en-GB" });
  await page.goto(`http://127.0.0.1:${port}/demo`);
  await page.getByRole("heading", { name: "Larder cabinet, rye saison" }).waitFor();

  const drawn = { Shelf: "/", bench: "/bench?c=demo-larder-cabinet&at=settings" };
  for (const [name, path] of Object.entries(drawn)) await saySize(page, name, path);
  await page.goto(`http://127.0.0.1:${port}/bench?c=demo-larder-cabinet&at=settings`);
  const panel = page.locator("section[aria-label=Trial]");
  const settled = async () => {
    await page.waitForFunction(() => {
      const section = document.querySelector("section[aria-label=Trial]");
      return section?.dataset.trial !== "none" && section?.dataset.busy === "false";
    });
    await page.waitForTimeout(150);
  };
  await settled();
  /** From a key on the setpoint's handle to the frame after the new trace, n times. */
  const moves = (n) =>
    page.evaluate(async (times) => {
      const section = document.querySelector("section[aria-label=Trial]");
      const handle = document.querySelector("[data-mark=setpoint]");
      const spans = [];
      for (let i = 0; i < times; i++) {
        const start = performance.now();
        const drawn = new Promise((resolve) => {
          const watch = new MutationObserver(() => {
            watch.disconnect();
            requestAnimationFrame(() => {
              const channel = new MessageChannel();
              channel.port1.onmessage = () => resolve(performance.now());
              channel.port2.postMessage(null);
            });
          });
          watch.observe(section, { attributeFilter: ["data-trial"] });
        });
        handle.dispatchEvent(
          new KeyboardEvent("keydown", { key: i % 2 ? "ArrowDown" : "ArrowUp", bubbles: true, cancelable: true }),
        );
        const whole = (await drawn) - start;
        // Of the worker plan, trial and verdicts; on the page from the question to its answer.
        const took = () => section.dataset.took.split(" ").map(Number);
        const [plan, trial, before, round] = took();
        await new Promise((resolve) => setTimeout(resolve, 300));
        // Where something happens in the trial they follow the trace, which does not wait for them.
        const verdicts = took()[2];
        spans.push({ whole, plan, trial, verdicts, message: round - plan - trial - before, drawing: whole - round });
      }
      return spans;
    }, n);
  /** What the moves of a handle took, in parts. */
  const say = (what, spans) => {
    const of = (part, q) =>
      quantile(
        spans.map((s) => s[part]),
        q,
      );
    const parts = ["plan", "trial", "verdicts", "message", "drawing"].map((part) => `${part} ${ms(of(part, 0.5))}`);
    console.log(
      `Handle to new trace, ${what}: median ${ms(of("whole", 0.5))}, 95th percentile ${ms(of("whole", 0.95))} (${parts.join(", ")})`,
    );
  };
  await moves(5);
  say("larder-cabinet, 7 days", await moves(40));

  for (const id of ["picnic-box", "warm-cupboard", "stockpot", "smokehouse", "curing-cabinet", "mash-kettle"]) {
    await page.goto(`http://127.0.0.1:${port}/bench?c=demo-${id}&at=settings`);
    await settled();
    await moves(3);
    const own = await moves(20);
    const length = await page.getByLabel("Length of the trial").locator("option:checked").innerText();
    say(`${id}, ${length}`, own);
  }
  // From an address typed to the first trace: a worker that knows nothing, nothing compiled yet.
  const state = await page.context().storageState({ indexedDB: true });
  const cold = [];
  for (let i = 0; i < 6; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, storageState: state });
    const fresh = await context.newPage();
    const begun = performance.now();
    await fresh.goto(`http://127.0.0.1:${port}/bench?c=demo-larder-cabinet&at=settings`);
    await fresh.waitForFunction(
      () => document.querySelector("section[aria-label=Trial] .recharts-surface") !== null,
      undefined,
      { polling: "raf" },
    );
    cold.push(performance.now() - begun);
    await context.close();
  }
  console.log(`Cold page to first trace: fastest ${ms(Math.min(...cold))}, median ${ms(quantile(cold, 0.5))}`);
  await page.goto(`http://127.0.0.1:${port}/bench?c=demo-larder-cabinet&at=box`);
  await settled();
  await benchRooms(page);
  await page.getByRole("button", { name: "Back to the daily swing" }).click();
  await page.goto(`http://127.0.0.1:${port}/bench?c=demo-larder-cabinet&at=settings`);
  await settled();
  await page.getByLabel("Length of the trial").selectOption("30 days");
  await settled();
  const took = [];
  for (let i = 0; i < 12; i++) {
    await moves(1);
    const [plan, trial, verdicts] = (await panel.getAttribute("data-took")).split(" ").map(Number);
    took.push(plan + trial + verdicts);
  }
  console.log(
    `30-day trial at 5 s steps in the worker, plan and verdicts included: median ${ms(quantile(took, 0.5))}, fastest ${ms(Math.min(...took))}`,
  );
  await page.goto(`http://127.0.0.1:${port}/bench?c=demo-larder-cabinet&at=settings`);
  await settled();
  await page.evaluate(() => {
    // The browser itself reports only tasks of the page that take more than 50 ms.
    window.long = [];
    new PerformanceObserver((list) => list.getEntries().forEach((e) => window.long.push(e.duration))).observe({
      type: "longtask",
    });
    let last = performance.now();
    const look = () => {
      const now = performance.now();
      window.longest = Math.max(window.longest, now - last);
      last = now;
      setTimeout(look, 0);
    };
    look();
  });
  /** Longest time between two turns of the page's loop while something else goes on. */
  const longestDuring = async (work) => {
    await page.evaluate(() => (window.longest = 0));
    const start = performance.now();
    await work();
    return { took: performance.now() - start, gap: await page.evaluate(() => window.longest) };
  };
  const idle = await longestDuring(() => page.waitForTimeout(2000));
  await page.evaluate(() => (window.long = []));
  const searches = [];
  for (let i = 0; i < 5; i++)
    searches.push(
      await longestDuring(async () => {
        await page.getByRole("button", { name: i ? "Search again" : "Find the best numbers" }).click();
        await page.getByRole("button", { name: "Stop" }).waitFor();
        await page.getByRole("button", { name: "Search again" }).waitFor({ timeout: 120_000 });
      }),
    );
  const gaps = searches.map((s) => s.gap);
  const long = await page.evaluate(() => window.long);
  console.log(
    `Search for the best settings in the page, ${await page.evaluate(() => navigator.hardwareConcurrency)} cores: median ${ms(
      quantile(
        searches.map((s) => s.took),
        0.5,
      ),
    )}; the page waited at the longest ${ms(quantile(gaps, 0.5))} (median of 5), ${ms(Math.max(...gaps))} (worst), without any search ${ms(idle.gap)}; tasks of the page over 50 ms: ${long.length ? long.map(ms).join(", ") : "none"}`,
  );

  const call = (name, body) =>
    fetch(`http://127.0.0.1:${port}/api/v1/${name}`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify(body),
    }).then(async (r) => ({ status: r.status, size: (await r.text()).length }));
  await call("trial", { chamber: {} });
  const answers = [];
  for (let i = 0; i < 15; i++) {
    const start = performance.now();
    await call("trial", { chamber: {} });
    answers.push(performance.now() - start);
  }
  console.log(`Door: a 7-day trial in ${ms(quantile(answers, 0.5))} (median), ${ms(Math.max(...answers))} (slowest)`);
  const heavy = Array.from({ length: 10 }, () => call("recommendation", { chamber: {} }));
  await new Promise((resolve) => setTimeout(resolve, 500));
  const light = [];
  let searching = true;
  void Promise.all(heavy).finally(() => (searching = false));
  while (searching && light.length < 40) {
    const start = performance.now();
    await call("settings", { chamber: {} });
    light.push(performance.now() - start);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const searched = await Promise.all(heavy);
  console.log(
    `Door: a light call beside ten searches in ${ms(quantile(light, 0.5))} (median of ${light.length}), ${ms(Math.max(...light))} (slowest); searches answered: ${searched.filter((s) => s.status === 200).length} of 10`,
  );
  const crowd = performance.now();
  const many = await Promise.all(Array.from({ length: 200 }, () => call("trial", { chamber: {} })));
  const count = (status) => many.filter((m) => m.status === status).length;
  console.log(
    `Door: 200 calls at once in ${((performance.now() - crowd) / 1000).toFixed(1)} s, ${count(200)} answered, ${count(503)} asked to come back`,
  );
  await browser.close();
} finally {
  server.kill();
}
node(["scripts/ts.mjs", "scripts/bench-trial.ts"]);
node(["scripts/ts.mjs", "scripts/bench-ensemble.ts"]);
node(["scripts/ts.mjs", "scripts/bench-boxes.ts"]);
node(["scripts/ts.mjs", "scripts/bench-products.ts"]);
node(["scripts/ts.mjs", "scripts/bench-fit.ts"]);
node(["scripts/ts.mjs", "scripts/bench-wiring.ts"]);
node(["scripts/ts.mjs", "scripts/bench-moisture.ts"]);
node(["scripts/ts.mjs", "scripts/bench-advice.ts"]);
node(["scripts/ts.mjs", "scripts/bench-spans.ts"]);
node(["scripts/ts.mjs", "scripts/bench-odex.ts"]);
node(["scripts/ts.mjs", "scripts/bench-series.ts"]);
