import type { Page } from "@playwright/test";
import { expect, openDemo, fullTrial, openTrial, test, trialDone } from "./fixtures";

/** What a hurried hand types, and what no field can take. */
const bad = { metric: ["warm", "-999999", "12 furlongs"], customary: ["999999999"] };

/** Words that belong to a schema and not to a person. */
const schemaWords = /expected|received|invalid input|[<>]=|NaN|Infinity|undefined|\bnull\b|too (big|small)/i;

/** Opens whatever is folded, so that every field can be reached. */
async function unfold(page: Page): Promise<void> {
  // What stands in a fold is drawn once it is open: there may be more folds in it.
  const opened = () =>
    page.evaluate(() => {
      const shut = [...document.querySelectorAll<HTMLDetailsElement>("main details:not([open])")];
      for (const fold of shut) fold.querySelector("summary")?.click();
      return shut.length;
    });
  // The station comes after the trial: without it there is nothing to unfold.
  await expect(page.locator("main input[inputmode=decimal]").first()).toBeVisible();
  await expect.poll(opened, { intervals: [200] }).toBe(0);
}

/** Types each bad input into every field of number on the page; what is stored is to stay as it was. */
async function tryAll(
  page: Page,
  inputs: readonly string[],
  within = "main",
): Promise<{ fields: number; wrong: string[] }> {
  return page.evaluate(
    async ({ inputs, words, within }) => {
      const schema = new RegExp(words, "i");
      const wait = () => new Promise((resolve) => setTimeout(resolve, 0));
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
      const key = (e: Element, name: string) =>
        e.dispatchEvent(new KeyboardEvent("keydown", { key: name, bubbles: true, cancelable: true }));
      const all = [...document.querySelectorAll<HTMLInputElement>(`${within} input[inputmode=decimal]`)];
      const wrong: string[] = [];
      for (const field of all) {
        if (!field.isConnected) continue;
        const label = document.querySelector(`label[for="${field.id}"]`)?.textContent ?? "?";
        const note = () => document.getElementById(`${field.id}-note`);
        const was = field.value;
        for (const input of inputs) {
          field.focus();
          set.call(field, input);
          field.dispatchEvent(new Event("input", { bubbles: true }));
          await wait();
          key(field, "Enter");
          await wait();
          const said = note()?.textContent ?? "";
          if (field.getAttribute("aria-invalid") !== "true") {
            // Taken as a number within its limits, as a large count of something without a most: undone below.
            if (field.value !== was) wrong.push(`${label} took “${input}” and shows ${field.value}`);
            continue;
          }
          if (note()?.getAttribute("role") !== "alert" || said.length < 8)
            wrong.push(`${label}: “${input}” without a word`);
          if (schema.test(said)) wrong.push(`${label}: “${input}” is answered with “${said}”`);
          if (field.value !== input) wrong.push(`${label}: “${input}” became “${field.value}”`);
          key(field, "Escape");
          await wait();
          if (field.value !== was) wrong.push(`${label}: “${was}” became “${field.value}” after “${input}”`);
        }
      }
      return { fields: all.length, wrong };
    },
    { inputs, words: schemaWords.source, within },
  );
}

/** The further units are tried where every kind of them stands. */
const places: [name: string, chamber: string, station: string, fields: number, customary?: true][] = [
  ["job of the curing cabinet", "curing-cabinet", "job", 3],
  ["box", "larder-cabinet", "box", 20, true],
  ["heat and cold of a fridge", "larder-cabinet", "heat", 4],
  ["settings", "larder-cabinet", "settings", 12, true],
  ["settings of the mash kettle", "mash-kettle", "settings", 8],
  ["probes", "larder-cabinet", "probe", 3],
];

test.describe("no field takes what it cannot, in either language of units", () => {
  for (const [name, chamber, station, least, customary] of places)
    test(name, async ({ page }) => {
      await openDemo(page);
      for (const units of customary ? (["metric", "customary"] as const) : (["metric"] as const)) {
        if (units === "customary") {
          await page.goto("/preferences");
          await page.getByRole("group", { name: "Temperatures" }).getByText("°F").click();
          await page.getByRole("group", { name: "Volumes and lengths" }).getByText(/gal/i).click();
        }
        await page.goto(`/bench?c=demo-${chamber}&at=${station}`);
        await trialDone(page);
        await unfold(page);
        const undo = page.getByRole("button", { name: /^(Undo|Nothing to undo)/ });
        const before = await undo.first().getAttribute("title");
        const { fields, wrong } = await tryAll(page, bad[units]);
        expect(wrong).toEqual([]);
        expect(fields).toBeGreaterThanOrEqual(least);
        expect(await undo.first().getAttribute("title")).toBe(before);
      }
    });

  test("happenings", async ({ page }) => {
    await openDemo(page);
    await page.goto("/bench?c=demo-larder-cabinet&at=settings");
    await trialDone(page);
    await openTrial(page);
    const placed = fullTrial(page).locator("li[data-happening]");
    for (const happening of ["Setpoint changed", "Cold or warm load put in", "Cold snap or heat wave"]) {
      const before = await placed.count();
      await page.getByLabel("Happening", { exact: true }).selectOption({ label: happening });
      await page.getByRole("button", { name: /^Place it at day/ }).click();
      await expect(placed).toHaveCount(before + 1);
    }
    await trialDone(page);
    const { fields, wrong } = await tryAll(page, bad.metric, "li[data-happening]");
    expect(wrong).toEqual([]);
    expect(fields).toBeGreaterThanOrEqual(8);
  });
});
