// Takes the pictures of docs/screenshots/ from the built application with its demo; `npm run pictures -- shelf` one alone.
import { chromium as browserType } from "@playwright/test";
import { join } from "node:path";
import { chromium } from "./chromium.mjs";
import { install, root, serve } from "./run.mjs";

install();
const executablePath = chromium();
if (!executablePath) process.exit(1);
const port = Number(process.env.PORT ?? 4321);
const base = `http://127.0.0.1:${port}`;
const server = await serve(port, true);

const bench = (station) => `/bench?c=demo-larder-cabinet&at=${station}`;
const full = (page) => page.getByRole("button", { name: "Trial on the whole screen" }).click();
const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };
/** The usual stages, their days, and the finish that they are planned back from. */
async function planned(page) {
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  await page.getByLabel("Length of the trial").selectOption("14 days");
  await page.getByLabel("It begins").fill("2026-12-04T18:30");
  await page.getByLabel("To be ready by").fill("2026-12-20T18:00");
  await page.getByRole("button", { name: "Plan backwards from there" }).click();
  const found = page.getByRole("region", { name: "The plan" });
  await found.waitFor({ timeout: 90_000 });
  await found.getByRole("button", { name: "Begin then" }).click();
  await page.getByLabel("To be ready by").scrollIntoViewIfNeeded();
}
/** A wiring done by oneself, with what is asked answered. */
async function wiredMyself(page) {
  await page.getByRole("checkbox", { name: "I wire it myself" }).check();
  await page.getByLabel("One-shot thermal cut-out").selectOption({ label: "Yes, in series with the heater" });
  await page.getByLabel("Residual-current protection", { exact: true }).selectOption({ label: "Yes, 30 mA (RCD)" });
}
/** Until the trials have put the chambers in their order, and the first ranges are there. */
const allReady = (page) =>
  page
    .getByText(/^Ready (after|between)/)
    .nth(3)
    .waitFor({ timeout: 90_000 });
const pictures = [
  ["shelf", "/", wide, "light", allReady],
  ["new-chamber", "/new", wide, "light"],
  ["bench-job", bench("job"), wide, "light"],
  [
    "bench-box",
    bench("box"),
    { width: 1280, height: 1100 },
    "light",
    async (page) => {
      await page.getByText("Does it fit?").click();
      await page.getByRole("region", { name: "Does it fit?" }).evaluate((e) => e.scrollIntoView());
    },
  ],
  ["bench-heat", bench("heat"), wide, "light"],
  ["bench-probe", bench("probe"), wide, "light"],
  ["bench-settings", bench("settings"), wide, "light"],
  [
    "trial-full",
    "/bench?c=demo-curing-cabinet&at=settings",
    wide,
    "light",
    async (page) => {
      await full(page);
      await page
        .getByText(/^Ready (after|between)|^Not ready in/)
        .first()
        .waitFor({ timeout: 60_000 });
    },
  ],
  ["card", "/card?c=demo-larder-cabinet", wide, "light"],
  [
    "bench-wiring-cellar",
    bench("wiring"),
    { width: 1280, height: 1100 },
    "dark",
    async (page) => {
      await wiredMyself(page);
      await page.getByRole("region", { name: "The drawing" }).evaluate((e) => e.scrollIntoView());
    },
  ],
  ["phone-shelf", "/", phone, "light"],
  ["phone-parts", "/parts?c=demo-picnic-box", phone, "light"],
  ["phone-trial-cellar", bench("settings"), phone, "dark", full],
  ["programs", "/programs", wide, "light"],
  ["program-cellar", "/bench?c=demo-larder-cabinet&at=job", { width: 1280, height: 1100 }, "dark", planned],
  [
    "compare",
    "/compare?c=demo-larder-cabinet&c=demo-curing-cabinet&c=demo-picnic-box",
    { width: 1280, height: 1000 },
    "light",
    (page) => page.getByRole("row", { name: /^Worst verdict/ }).waitFor(),
  ],
  [
    "best-numbers",
    "/bench?c=demo-curing-cabinet&at=settings",
    { width: 1280, height: 1000 },
    "light",
    async (page) => {
      await page.getByRole("button", { name: "Find the best numbers" }).click();
      await page.getByRole("button", { name: "Search again" }).waitFor({ timeout: 90_000 });
      await page.getByRole("region", { name: "The best numbers" }).scrollIntoViewIfNeeded();
    },
  ],
  [
    "reference",
    "/reference",
    wide,
    "light",
    async (page) => {
      const call = page.getByRole("article", { name: "What is wrong with a probe in the air" });
      await call.getByRole("button", { name: "Ask it here" }).click();
      await call.getByText("verdicts.0.title is", { exact: false }).waitFor();
      await page.getByRole("article", { name: "What a unit does with" }).evaluate((e) => e.scrollIntoView());
    },
  ],
  [
    "wiring-paper",
    bench("wiring"),
    { width: 1280, height: 1100 },
    "light",
    async (page) => {
      await wiredMyself(page);
      await page.getByRole("link", { name: "All of it on paper" }).click();
      await page.getByText("has to beep").first().waitFor();
      await page.getByRole("region", { name: "Conductors" }).evaluate((e) => e.scrollIntoView());
    },
  ],
];

try {
  const browser = await browserType.launch({
    executablePath,
    args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
  });
  const only = process.argv[2];
  for (const [name, path, viewport, colorScheme, act] of pictures.filter(([name]) => !only || name === only)) {
    const page = await browser.newPage({ viewport, colorScheme, locale: "en-GB" });
    await page.goto(`${base}/demo`);
    await page.getByRole("heading", { name: "Larder cabinet, rye saison" }).waitFor();
    await page.goto(base + path);
    await act?.(page);
    // Trials, weighed remedies and fonts have to be there; nothing on screen says so for all views alike.
    await page.waitForLoadState("networkidle");
    const trial = page.locator("section[aria-label=Trial]");
    if (await trial.isVisible()) await trial.getByRole("img").first().waitFor();
    await page.getByText("Weighing what would help").waitFor({ state: "detached", timeout: 60_000 });
    await page.waitForTimeout(2500);
    await page.screenshot({ path: join(root, "docs", "screenshots", `${name}.png`) });
    await page.close();
    console.log(name);
  }
  await browser.close();
} finally {
  server.kill();
}
