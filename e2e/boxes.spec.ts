import type { Page } from "@playwright/test";
import { expect, fill, fullTrial, openTrial, stored, test, trialDone } from "./fixtures";

/** A chamber from an empty profile by the three questions. */
async function build(page: Page, job: string, box: string, low: string, high: string): Promise<void> {
  await page.goto("/new");
  await page.getByRole("group", { name: "Product" }).getByText(job, { exact: true }).click();
  const boxes = page.getByRole("group", { name: "Box" });
  if ((await boxes.getByText(box, { exact: true }).count()) === 0)
    await page.getByRole("button", { name: "Show every kind of box" }).click();
  await boxes.getByText(box, { exact: true }).click();
  await fill(page, "Warmest", high);
  await fill(page, "Coldest", low);
  await page.getByRole("button", { name: "Put it on the shelf and open it" }).click();
  await trialDone(page);
}

for (const [job, box, low, high, happening, edit] of [
  [
    "Tempeh",
    "Foam box in a tote",
    "14",
    "19",
    "Heater cut by its own thermostat",
    ["2", "Thickness of the walls", "30"],
  ],
  ["Honey, warmed", "Dead fridge as a warm box", "10", "16", "Power cut", ["1", "How many alike", "1"]],
  ["Cooking in a water bath", "Slow cooker or insulated pot", "17", "21", "Lid off", ["2", "Water in the bath", "6"]],
  ["Hot smoking", "Steel drum", "5", "14", "Fuel out", ["3", "Charge", "5"]],
  [
    "Lager",
    "Vessel with its own jacket and plate",
    "16",
    "24",
    "Cooling runs but does not cool",
    ["3", "Nothing left at", "30"],
  ],
] as const) {
  test(`${job} in a ${box.toLowerCase()}: built, edited, a happening placed, its hours of grace read`, async ({
    page,
  }) => {
    await build(page, job, box, low, high);
    await expect(page.getByRole("heading", { level: 2, name: /What do you key into/ })).toBeVisible();
    const before = await page.locator("section[aria-label='Trial']").getAttribute("data-trial");
    await page.keyboard.press(edit[0]);
    await fill(page, edit[1], edit[2]);
    await expect(page.locator("section[aria-label='Trial']")).not.toHaveAttribute("data-trial", before!);
    await page.keyboard.press("Escape");
    await trialDone(page);
    await openTrial(page);
    await page.getByLabel("Happening", { exact: true }).selectOption({ label: happening });
    await page.getByRole("button", { name: /^Place it at day/ }).click();
    const placed = fullTrial(page).locator("li[data-happening]");
    await expect(placed).toHaveCount(1);
    await expect(placed.getByRole("heading")).toContainText(happening);
    await trialDone(page);
    await expect(placed).toContainText(/Hours of grace: |stays in its band|outside its band already/);
    await expect(page.getByRole("region", { name: "Hours of grace" })).toContainText(/fails/);
  });
}

test("a happening is moved, lasts, is taken out and comes back by undo; the trial follows each time", async ({
  page,
}) => {
  await build(page, "Ale", "Upright larder fridge", "2", "6");
  await openTrial(page);
  await page.getByRole("button", { name: "Place it by a click" }).click();
  const trace = fullTrial(page).getByRole("slider", { name: /Moment of the trial/ });
  const box = (await trace.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.4, box.y + box.height / 2);
  const placed = fullTrial(page).locator("li[data-happening='powerCut']");
  await expect(placed).toContainText("day 4");
  await trialDone(page);
  await expect(placed).toContainText(/Hours of grace: .*too (cold|warm)/);
  await fill(page, "It lasts", "0.5");
  await trialDone(page);
  await expect(placed).toContainText("stays in its band");
  await fill(page, "After", "900");
  await expect(placed).toContainText("comes after its end");
  await placed.getByRole("button", { name: /^Take it out/ }).click();
  await expect(placed).toHaveCount(0);
  await page.keyboard.press("Escape");
  await expect(fullTrial(page)).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await openTrial(page);
  await expect(placed).toHaveCount(1);
});

test("the full trial by keyboard: cursor, zoom, pan, place, whole again; layers, kept trial and its differences", async ({
  page,
}) => {
  await build(page, "Just hold a temperature", "Upright larder fridge", "6", "26");
  await page.keyboard.press("t");
  const cursor = fullTrial(page).getByRole("slider", { name: /Moment of the trial/ });
  await cursor.focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(cursor).toHaveAttribute("aria-valuetext", /day [12], .*product .*°C.*heat (on|off)/);
  for (let i = 0; i < 4; i++) await page.keyboard.press("+");
  await expect(fullTrial(page).getByText(/^day \d, .* to day /)).toBeVisible();
  await page.keyboard.press("PageDown");
  await page.keyboard.press("0");
  await expect(fullTrial(page).getByText("the whole trial", { exact: true })).toBeVisible();
  await page.getByRole("checkbox", { name: "evaporator" }).check();
  await expect(cursor).toHaveAttribute("aria-valuetext", /evaporator/);
  await page.getByRole("button", { name: "Keep this trial to compare" }).click();
  await page.keyboard.press("Escape");
  await page.keyboard.press("6");
  await fill(page, "Setpoint", "18");
  await page.keyboard.press("Escape");
  await trialDone(page);
  await page.keyboard.press("t");
  await page.getByRole("button", { name: "Side by side" }).click();
  await expect(page.getByText(/^Kept: At .* the heater comes on/)).toBeVisible();
  const row = fullTrial(page).getByRole("row", { name: /product at its coldest/ });
  await expect(row.getByRole("cell")).toHaveCount(3);
  await expect(row.getByRole("cell").last()).toHaveText(/^\u2212\d/);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "CSV" }).click();
  expect((await download).suggestedFilename()).toMatch(/^trial-Just.*\.csv$/);
});

test("a recorded room replaces the daily swing; a wrong table says in which line", async ({ page }) => {
  await build(page, "Ale", "Upright larder fridge", "10", "20");
  await page.keyboard.press("2");
  const file = page.getByLabel("Table with times and temperatures");
  await file.setInputFiles({ name: "attic.csv", mimeType: "text/csv", buffer: Buffer.from("h;t\n0;10\nnoon;12") });
  await expect(page.getByRole("alert").filter({ hasText: "Line 3" })).toContainText("noon");
  await file.setInputFiles({
    name: "attic.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("h;t\n0;-8,5\n90;-2\n170;-9"),
  });
  await expect(page.getByText(/3 readings over/)).toBeVisible();
  await trialDone(page);
  await openTrial(page);
  const cursor = fullTrial(page).getByRole("slider", { name: /Moment of the trial/ });
  await cursor.focus();
  await page.keyboard.press("Home");
  await expect(cursor).toHaveAttribute("aria-valuetext", /room \u22128\.[45]/);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Back to the daily swing" }).click();
  await expect(page.getByRole("button", { name: "Use a recorded room (CSV)" })).toBeVisible();
  await stored(page);
});

test("a parameter of the model is typed, told apart from its estimate, and put back", async ({ page }) => {
  await build(page, "Ale", "Chest freezer", "10", "20");
  await page.keyboard.press("2");
  await page.getByText("All parameters of the model").click();
  const field = page.getByRole("textbox", { name: "Between inner lining and room", exact: true });
  const estimate = await field.inputValue();
  await fill(page, "Between inner lining and room", "2.6");
  await expect(page.getByText(new RegExp(`Typed; estimate ${estimate}`))).toBeVisible();
  // 2.6 in series with the film of still air on 1.91 m² of lining, and a leak of 0.1 (films.ts).
  await expect(page.getByText(/It loses about/)).toContainText("1.72");
  await page.getByRole("button", { name: /^Between inner lining and room: back to default/ }).click();
  await expect(field).toHaveValue(estimate);
});
