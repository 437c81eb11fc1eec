import { chromium, type Page } from "@playwright/test";
import { expect, openDemo, screens, openTrial, test, trialDone } from "./fixtures";

const all: typeof screens = [
  ...screens,
  ["two units and two vessels", "/bench?c=demo-curing-cabinet&at=settings"],
  ["full trial", "/bench?c=demo-larder-cabinet&at=settings"],
];

interface Size {
  name: string;
  width: number;
  height: number;
  /** Held in the hand: every target is of touch size. */
  touch?: true;
  /** Share of the height that the station keeps at least. */
  station: number;
}
const sizes: Size[] = [
  { name: "a small phone", width: 360, height: 780, touch: true, station: 0.6 },
  { name: "a phone", width: 390, height: 844, touch: true, station: 0.6 },
  { name: "a phone on its side", width: 844, height: 390, touch: true, station: 0.6 },
  { name: "a desk", width: 1280, height: 800, station: 0.6 },
  { name: "a desk at 200 %", width: 640, height: 400, station: 0.6 },
  { name: "a desk at 400 %", width: 320, height: 200, station: 0.6 },
];
/** Somebody whose browser shows all text at twice the usual size. */
const large: Size[] = [
  { name: "a phone with text at 200 %", width: 390, height: 844, station: 0.5 },
  { name: "a desk with text at 200 %", width: 1280, height: 800, station: 0.6 },
];

/** What is cut, lies outside, is too small to read or to hit; and the share of the height that the station has. */
const look = (page: Page, touch: boolean) =>
  page.evaluate((touch) => {
    const wrong = new Set<string>();
    const modal = document.querySelector("dialog[open], [aria-modal=true]");
    const root = modal ?? document.body;
    const name = (e: Element) =>
      `${e.tagName.toLowerCase()} “${(e.getAttribute("aria-label") ?? e.textContent ?? "").trim().slice(0, 40)}”`;
    const scrolls = (e: Element | null): boolean =>
      e !== null && (/auto|scroll/.test(getComputedStyle(e).overflowX) || scrolls(e.parentElement));
    const zoomOf = (e: Element) => (e as Element & { currentCSSZoom?: number }).currentCSSZoom ?? 1;
    const targets =
      "button, a[href], input:not([type=radio], [type=checkbox], [type=file]), select, summary, label:has(input[type=radio], input[type=checkbox]), [role=slider]";
    for (const e of root.querySelectorAll("*")) {
      const box = e.getBoundingClientRect();
      const style = getComputedStyle(e);
      // What is for a screen reader alone is a point.
      if (box.width <= 1.5 || box.height <= 1.5 || style.visibility === "hidden") continue;
      if (e.closest("[aria-hidden=true]:not(svg), [inert], .sr-only")) continue;
      const drawn = e.closest("svg");
      if (!drawn && box.right > innerWidth + 1 && !scrolls(e.parentElement)) wrong.add(`${name(e)} lies outside`);
      const says = [...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.textContent!.trim() !== "");
      if (says && !drawn) {
        if (parseFloat(style.fontSize) * zoomOf(e) < 11.95) wrong.add(`${name(e)} is written too small`);
        if (/hidden|clip/.test(style.overflowX) && e.scrollWidth > e.clientWidth + 1) wrong.add(`${name(e)} is cut`);
      }
      if (e instanceof SVGTextElement) {
        if (box.right > innerWidth + 1 && !scrolls(e.closest("svg"))) wrong.add(`${name(e)} is drawn outside`);
        const to = e.getScreenCTM()!;
        if (parseFloat(style.fontSize) * Math.hypot(to.a, to.b) < 11.9) wrong.add(`${name(e)} is drawn too small`);
      }
      if (touch && e.matches(targets) && style.display !== "inline" && !drawn)
        if (box.width < 43.5 || box.height < 43.5)
          wrong.add(`${name(e)} is ${Math.round(box.width)} by ${Math.round(box.height)}`);
    }
    const main = document.querySelector("main")!.getBoundingClientRect();
    const seen = Math.min(main.bottom, innerHeight) - Math.max(0, main.top);
    return { wrong: [...wrong], station: seen / innerHeight };
  }, touch);

/** The page as it stands at each size, one after the other: nobody has to load it anew to turn a phone. */
async function lookAtEach(page: Page, of: readonly Size[], name: string, bench: boolean): Promise<void> {
  for (const { name: size, width, height, touch, station: least } of of) {
    await page.setViewportSize({ width, height });
    // Until what is drawn has been measured and drawn anew.
    // A browser that is short of time may draw no frame at all for one that nobody looks at.
    await page.evaluate(
      () =>
        new Promise((done) => {
          requestAnimationFrame(() => requestAnimationFrame(done));
          setTimeout(done, 2000);
        }),
    );
    if (height < 320) await page.evaluate(() => document.querySelector("main")!.scrollIntoView());
    const { wrong, station } = await look(page, touch ?? false);
    expect([name, size, wrong]).toEqual([name, size, []]);
    if (bench) expect([name, size, station >= least]).toEqual([name, size, true]);
  }
}

/** All of these screens at all of these sizes. */
async function lookThrough(page: Page, base: string, of: typeof screens, at: readonly Size[]): Promise<void> {
  for (const [name, path] of of)
    await test.step(name, async () => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(base + path);
      const bench = path.startsWith("/bench");
      if (bench) await trialDone(page);
      else await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      await page.waitForLoadState("networkidle");
      if (name === "full trial") {
        await openTrial(page);
        await expect(page.getByRole("button", { name: "Close the full trial" })).toBeVisible();
      }
      await lookAtEach(page, at, name, bench && name !== "full trial");
    });
}

for (const [part, of] of [
  ["rooms", all.filter(([, path]) => !path.startsWith("/bench"))],
  ["stations", all.filter(([, path]) => path.startsWith("/bench"))],
] as const)
  test(`everything is there, whole, at every size: ${part}`, async ({ page }) => {
    await openDemo(page);
    await lookThrough(page, "", of, sizes);
  });

test("everything is there, whole, with text at 200 %", async ({ baseURL, launchOptions }) => {
  // As the browser's own setting does it: media queries go by it too.
  const browser = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions.args ?? []), "--blink-settings=defaultFontSize=32"],
  });
  const page = await browser.newPage({ locale: "en-GB", serviceWorkers: "block" });
  await page.goto(`${baseURL}/demo`);
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).fontSize)).toBe("32px");
  await lookThrough(page, baseURL!, all, large);
  await browser.close();
});
