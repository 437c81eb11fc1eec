import { readFileSync } from "node:fs";
import { expect, fill, openDemo, stored, test, trialDone } from "./fixtures";

test("a tall vessel does not fit a chest until the collar is on; by keys in the plan it runs into the hump", async ({
  page,
}) => {
  await openDemo(page, "box");
  await page.getByLabel("Kind of box").selectOption("chest");
  await fill(page, "Height", "66");
  await trialDone(page);
  await page.getByText("Does it fit?").click();
  const answer = page.getByRole("region", { name: "Does it fit?" });
  await expect(answer).toContainText(/It does not fit\. .*too tall under the ceiling/);
  // The finding offers what was tried: the collar among it.
  await expect(page.getByText("The vessel does not fit").first()).toBeVisible();
  const collar = page.getByRole("listitem").filter({ hasText: /Put a collar of \d+.mm under the lid/ });
  await collar.getByRole("button", { name: "Keep it" }).click();
  await trialDone(page);
  await expect(answer).toContainText("It fits.");
  await expect(answer).toContainText(/lifted .* high: too heavy for that even by two/);
  await fill(page, "Hump: depth", "5");
  await fill(page, "Hump: height", "25");
  await fill(page, "Hump: width", "20");
  const bucket = answer.getByRole("slider", { name: "the bucket" });
  await expect(bucket).toHaveAttribute("aria-valuetext", /stands on the floor/);
  await bucket.focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press("Shift+ArrowUp");
  await expect(bucket).toHaveAttribute("aria-valuetext", /runs into .*(the hump|the ceiling|the back)/);
  await expect(answer).toContainText("It does not fit.");
  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.getByText("Does it fit?").click();
  await expect(answer).toContainText("It does not fit.");
  await page.getByRole("button", { name: "Let all find their places again" }).click();
  await expect(answer).toContainText("It fits.");
});

test("a vessel with legs, taper and lid stands beside a heater that keeps its distance, and two fans are told apart", async ({
  page,
}) => {
  await openDemo(page, "box");
  await page.getByText("Does it fit?").click();
  const answer = page.getByRole("region", { name: "Does it fit?" });
  await expect(answer).toContainText("It fits.");
  await expect(answer).toContainText(/Its door swings .* out in front/);
  await fill(page, "Width at its foot", "22");
  await fill(page, "Legs under it", "40");
  await fill(page, "Lid reaches over, on each side", "12");
  await expect(answer).toContainText("It fits.");
  const another = page.getByLabel("Put in another");
  for (const kind of ["Heater", "Fan", "Fan"]) await another.selectOption({ label: kind });
  const inside = page.getByRole("region", { name: "Fixed inside" });
  await expect(inside).toContainText("Fan 2");
  await fill(page, "Heater: wide", "9000");
  await expect(inside.getByText(/^No more than/)).toBeVisible();
  await page.keyboard.press("Escape");
  for (const [label, mm] of [
    ["Heater: wide", "400"],
    ["Heater: deep", "300"],
    ["Heater: high", "500"],
  ] as const)
    await fill(page, label, mm);
  await expect(answer).toContainText("It does not fit.");
  await inside.getByRole("button", { name: "Take out Heater" }).click();
  await expect(answer).toContainText("It fits.");
  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.getByText("Does it fit?").click();
  await expect(inside).toContainText("Fan 2");
  await expect(page.getByRole("textbox", { name: "Legs under it" })).toHaveValue("40");
});

test("a plank that sags is found, and the least that carries is taken", async ({ page }) => {
  await openDemo(page, "box");
  await page.getByText("What carries it").click();
  const carry = page.getByRole("region", { name: "What carries it" });
  await fill(page, "Thickness of the board", "9");
  await expect(carry).toContainText("it does not carry that.");
  await carry.getByRole("button", { name: "Take that" }).click();
  await expect(carry).toContainText("it carries that.");
  await fill(page, "Thickness of the board", "900");
  await expect(carry.getByRole("alert")).toContainText(/No more than 100/);
  await expect(page.getByRole("textbox", { name: "Thickness of the board" })).toHaveValue("900");
});

test("a foam box for six trays: sized, its panels on sheets, another wall, its cut list on paper", async ({ page }) => {
  await openDemo(page, "job");
  await page.goto("/bench?c=demo-picnic-box&at=job");
  await trialDone(page);
  await fill(page, "Volume", "2");
  await fill(page, "How many alike", "6");
  await trialDone(page);
  await page.keyboard.press("Escape");
  await page.goto("/bench?c=demo-picnic-box&at=box");
  await trialDone(page);
  await page.getByText("Make it of foam").click();
  const foam = page.getByRole("region", { name: "Make it of foam" });
  await foam.getByRole("button", { name: "Size it for that" }).click();
  await page.getByText("Does it fit?").click();
  const fits = page.getByRole("region", { name: "Does it fit?" });
  await expect(fits).toContainText(/at least (6|7|8|9) of them find a place, in \d+ layers?/);
  // Higher than usual they lie close together, then not at all, and fewer of them are offered.
  const answer = fits.locator("p").first();
  await expect(answer).toContainText("It fits.");
  await fill(page, "Height of a tray", "60");
  await expect(answer).toContainText("It fits, close together.");
  await expect(page.getByText("The trays lie close together").first()).toBeVisible();
  await fill(page, "Height of a tray", "150");
  await expect(answer).toContainText(/It does not fit\..*\d of 6 trays find a place/);
  await expect(page.getByText("The trays do not fit").first()).toBeVisible();
  await fill(page, "Height of a tray", "0");
  await expect(answer).toContainText("It fits.");
  await expect(foam.getByRole("table", { name: "Cut list" }).getByRole("row")).toHaveCount(5);
  await expect(foam.getByRole("img", { name: /^Sheet 1:/ })).toBeVisible();
  await foam.getByRole("button", { name: "Take it with 50 mm" }).click();
  await expect(page.getByRole("textbox", { name: "Thickness of the walls" })).toHaveValue("50");
  await fill(page, "Sheet: width", "30");
  await expect(foam.getByRole("alert")).toContainText(/No sheet takes/);
  await fill(page, "Sheet: width", "60");
  await foam.getByRole("link", { name: "On paper, beside the card" }).click();
  const sheet = page.getByRole("article", { name: "Cut list of the foam box" });
  await expect(sheet.getByRole("table", { name: "Cut list" })).toBeVisible();
  await expect(sheet).toContainText(/walls 50.mm/);
  await page.emulateMedia({ media: "print" });
  await expect(sheet.getByRole("img", { name: /^Sheet 1:/ })).toBeVisible();
});

test("parts: prices typed, what is there, one\u2019s own, electricity, as CSV, kept over a reload", async ({
  page,
}) => {
  await openDemo(page, "box");
  await page.getByRole("link", { name: "Parts and cost" }).click();
  const total = page.getByRole("region", { name: "What it comes to" });
  const heater = page
    .getByRole("listitem", { name: "Tube heater, 60 W" })
    .getByRole("textbox", { name: "Price of one" });
  await heater.fill("24.5");
  await heater.press("Enter");
  await expect(total).toContainText("24.50 still to be bought once");
  await heater.fill("-3");
  await heater.press("Enter");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await heater.press("Escape");
  await page.getByRole("button", { name: "Something else" }).click();
  const own = page.getByRole("textbox", { name: /^Part \d+$/ });
  await own.fill("Cable gland");
  await own.press("Enter");
  await page.getByRole("checkbox", { name: /Upright larder fridge/ }).check();
  await expect(total).toContainText(/draws .* kWh a day/, { timeout: 30_000 });
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "CSV" }).click();
  const text = readFileSync(await (await saved).path(), "utf8");
  expect(text).toMatch(/Cable gland/);
  expect(text).toMatch(/Upright larder fridge,1,pieces,,,yes/);
  await stored(page);
  await page.reload();
  await expect(total).toContainText("24.50 still to be bought once");
  await expect(page.getByRole("checkbox", { name: /Upright larder fridge/ })).toBeChecked();
});
