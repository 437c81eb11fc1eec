import { test as base, expect, type Locator, type Page } from "@playwright/test";

/** Every test fails on an outside request, a console error, or a page error. */
export const test = base.extend<{ watched: null }>({
  watched: [
    async ({ context, baseURL }, use) => {
      const wrong: string[] = [];
      const host = new URL(baseURL!).host;
      context.on("request", (request) => {
        const url = new URL(request.url());
        if (!["data:", "blob:"].includes(url.protocol) && url.host !== host) wrong.push(`asked ${request.url()}`);
      });
      context.on("console", (message) => {
        if (message.type() === "error") wrong.push(`console: ${message.text()} ${message.location().url}`);
      });
      context.on("weberror", (error) => wrong.push(`error: ${error.error().message}`));
      await use(null);
      expect(wrong).toEqual([]);
    },
    { auto: true },
  ],
  locale: "en-GB",
});

export { expect };

/** Waits until the trial on show answers the latest edit. */
export async function trialDone(page: Page): Promise<void> {
  const panel = page.locator("section[aria-label='Trial']");
  await expect(panel).not.toHaveAttribute("data-trial", "none");
  await expect(panel).toHaveAttribute("data-busy", "false");
}

/** The figures of the trial, read from the whole-screen view. */
export async function figures(page: Page): Promise<string> {
  await trialDone(page);
  return (await page.locator("section[aria-label='Trial'] table").innerText()).replace(/\s+/g, " ");
}

export async function openDemo(page: Page, station = "settings"): Promise<void> {
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await page.goto(`/bench?c=demo-larder-cabinet&at=${station}`);
  await trialDone(page);
}

/** A chamber of one's own from an empty profile by the three questions. */
export async function makeChamber(page: Page, name: string, job?: string): Promise<void> {
  await page.goto("/new");
  if (job) await page.getByRole("group", { name: "Product" }).getByText(job, { exact: true }).click();
  await page.getByLabel("Name it, if you like").fill(name);
  await page.getByRole("button", { name: "Put it on the shelf and open it" }).click();
  // It lands at what is to be keyed in; the stations begin with the job.
  await expect(page.getByRole("heading", { level: 2, name: /What do you key into/ })).toBeVisible();
  await page.keyboard.press("1");
  await expect(page.getByRole("heading", { level: 2, name: /What is in it/ })).toBeVisible();
  await trialDone(page);
  await stored(page);
}

export async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole("textbox", { name: label, exact: true });
  await field.fill(text);
  await field.press("Enter");
}

/** What the frame says of storing, wherever it stands at this width. */
export const storedWords = (page: Page) =>
  page.getByText("Stored in this browser", { exact: true }).filter({ visible: true });
export const stored = (page: Page) => expect(storedWords(page)).toBeVisible();

/** Every main view with its address, on the demo. */
export const screens: [name: string, path: string][] = [
  ["shelf", "/"],
  ["new chamber", "/new"],
  ["preferences", "/preferences"],
  ["compare", "/compare"],
  ["programs", "/programs"],
  ["card", "/card?c=demo-larder-cabinet"],
  ["parts", "/parts?c=demo-larder-cabinet"],
  ["wiring on paper", "/wiring?c=demo-larder-cabinet"],
  ...["job", "box", "heat", "wiring", "probe", "settings"].map((s): [string, string] => [
    s,
    `/bench?c=demo-larder-cabinet&at=${s}`,
  ]),
];

/** The trial on the whole screen. */
export const openTrial = (page: Page): Promise<void> =>
  page.getByRole("button", { name: "Trial on the whole screen" }).click();
export const fullTrial = (page: Page): Locator => page.getByRole("dialog", { name: "Trial" });
