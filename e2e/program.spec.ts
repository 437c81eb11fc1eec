import { readFileSync } from "node:fs";
import { configurations } from "../core/testing/configurations";
import { expect, fill, makeChamber, openTrial, stored, test, trialDone } from "./fixtures";

test("stages: put in, named, timed, seen on every station, in the trial and on the card; taken out and undone", async ({
  page,
}) => {
  await makeChamber(page, "Program", "Just hold a temperature");
  await page.getByRole("button", { name: "Another stage after it" }).click();
  const stages = page.getByRole("navigation", { name: "Stages of the program" });
  await expect(stages.getByRole("button", { name: /^\d\. / })).toHaveCount(2);
  await fill(page, "It goes on for", "30");
  await expect(stages).toContainText(/goes on for 30.h/);
  await stages.getByRole("button", { name: /^2\. / }).click();
  await fill(page, "Name of the stage", "Cold rest");
  await fill(page, "Coldest allowed", "8");
  await fill(page, "Warmest allowed", "10");
  await expect(stages.getByRole("button", { name: /2\. Cold rest/ })).toContainText("8.0 °C to 10.0 °C");
  await stages.getByRole("button", { name: "A stage after it" }).click();
  await expect(stages.getByRole("button", { name: /^\d\. / })).toHaveCount(3);
  await trialDone(page);
  await page.locator("h2").first().click();
  await page.keyboard.press("6");
  await stages.getByRole("button", { name: /2\. Cold rest/ }).click();
  const setpoint = page.getByRole("textbox", { name: "Setpoint", exact: true });
  const cold = Number(await setpoint.inputValue());
  expect(cold).toBeLessThan(11);
  await stages.getByRole("button", { name: /^1\. / }).click();
  await expect.poll(async () => Number(await setpoint.inputValue())).toBeGreaterThan(cold + 5);
  await fill(page, "Setpoint", "20.5");
  await stages.getByRole("button", { name: /2\. Cold rest/ }).click();
  expect(Number(await setpoint.inputValue())).toBe(cold);
  await stored(page);
  await page.reload();
  await trialDone(page);
  await expect(stages.getByRole("button", { name: /^\d\. / })).toHaveCount(3);
  await page.getByRole("link", { name: "Card", exact: true }).click();
  const card = page.locator("article[data-ready=true]");
  await expect(card).toContainText("Cold rest");
  await expect(card).toContainText("20.5 °C");
  await page.goBack();
  await trialDone(page);
  await stages.getByRole("button", { name: /^3\. / }).click();
  await stages.getByRole("button", { name: "Take it out" }).click();
  await expect(stages.getByRole("button", { name: /^\d\. / })).toHaveCount(2);
  await page.locator("h2").first().click();
  await page.keyboard.press("Control+z");
  await expect(stages.getByRole("button", { name: /^\d\. / })).toHaveCount(3);
});

test("units: one split in two, one that watches, each with its own numbers; taken out and undone", async ({ page }) => {
  await makeChamber(page, "Units");
  await page.keyboard.press("6");
  const units = page.getByRole("region", { name: "Units" });
  await units.getByRole("button", { name: "Two opposed units instead of this one" }).click();
  await expect(units.getByRole("button", { name: /^Unit \d/ })).toHaveCount(2);
  const setpoint = page.getByRole("textbox", { name: "Setpoint", exact: true });
  await units.getByRole("button", { name: /^Unit 1/ }).click();
  const first = Number(await setpoint.inputValue());
  await units.getByRole("button", { name: /^Unit 2/ }).click();
  await expect(page.getByRole("textbox", { name: "Differential", exact: true })).toBeVisible();
  await fill(page, "Setpoint", "25");
  await units.getByRole("button", { name: /^Unit 1/ }).click();
  await expect(setpoint).toHaveValue(first.toFixed(1));
  await units.getByRole("button", { name: "Another unit" }).click();
  await expect(units.getByRole("button", { name: /^Unit 3.*watches only/i })).toBeVisible();
  await trialDone(page);
  await units.getByRole("button", { name: /^Unit 3/ }).click();
  await expect(page.getByText("It switches nothing: it shows its probe").first()).toBeVisible();
  await units.getByRole("button", { name: /^Take .* out|out$/i }).click();
  await expect(units.getByRole("button", { name: /^Unit \d/ })).toHaveCount(2);
  await page.locator("h2").first().click();
  await page.keyboard.press("Control+z");
  await expect(units.getByRole("button", { name: /^Unit \d/ })).toHaveCount(3);
});

test("cards and the Shelf of every list: all that is to be keyed in stands on them", async ({ page }) => {
  const records = Object.entries(configurations).map(([name, make], i) => ({
    ...make(),
    id: `list-${i}`,
    name: name.slice(0, 40),
  }));
  const text = JSON.stringify({
    format: "gentle-crock-workshop",
    version: 3,
    exportedAt: "2026-11-01T10:00:00.000Z",
    records,
  });
  await page.goto("/preferences");
  await page
    .getByLabel("Look into a backup")
    .setInputFiles({ name: "lists.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await page.getByRole("button", { name: "Bring the chambers in" }).click();
  await expect(page.getByText("4 chambers are back.")).toBeVisible();
  await stored(page);
  await page.goto("/");
  for (const { name } of records) await expect(page.getByRole("heading", { name })).toBeVisible();
  const wanted = [
    ["The watcher", /30\.0\s°C/],
    ["Unit 2", /68\s°F/],
    [/vessel 2/i, /17\.5\s°C/],
    ["Stage 8", /Stage 6/],
  ] as const;
  for (const [i, [one, other]] of wanted.entries()) {
    await page.goto(`/card?c=list-${i}`);
    const card = page.locator("article[data-ready=true]");
    await expect(card).toContainText(one, { ignoreCase: true });
    await expect(card).toContainText(other);
  }
});

test("the usual stages of a product are taken, an end is changed, wrong input is refused, and all is undone", async ({
  page,
}) => {
  await makeChamber(page, "Usual stages", "Just hold a temperature");
  await page.getByLabel("What is in it").selectOption({ label: "Fermented sausage" });
  await page.getByRole("button", { name: "Take its usual stages" }).click();
  const stages = page.getByRole("navigation", { name: "Stages of the program" });
  await expect(stages.getByRole("button", { name: /^1\. Sour/ })).toContainText("23.0 °C to 27.0 °C");
  await expect(stages.getByRole("button", { name: /^2\. Dry/ })).toBeVisible();
  await expect(page.getByText(/until the pH is at 5\.3 or less/).first()).toBeVisible();
  await fill(page, "pH", "4.9");
  await expect(page.getByText(/until the pH is at 4\.9 or less/).first()).toBeVisible();
  await page.getByLabel("It ends").selectOption({ label: "When somebody says so" });
  await expect(page.getByText(/until somebody says so/).first()).toBeVisible();
  await fill(page, "Not before", "a while");
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByLabel("It ends").selectOption({ label: "At: Weight lost" });
  await expect(page.getByText(/weight lost is at 30(\.0)?.% or more/).first()).toBeVisible();
  // What becomes of it stands below the trace, to its scale of time.
  await trialDone(page);
  await openTrial(page);
  await expect(page.getByRole("img", { name: /^pH: from 5\.8 / })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Weight lost: from / })).toBeVisible();
  await page.keyboard.press("Escape");
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: /^Undo/ }).first().click();
  await expect(stages).toHaveCount(0);
  await expect(page.getByText("It is held like this to the end.")).toBeVisible();
});

test("a program with its beginning and days away goes into the calendar; what a stage waits for cannot be taken from it", async ({
  page,
}) => {
  await makeChamber(page, "Calendar");
  // An ale begins with its usual stages.
  const tasks = page.getByRole("region", { name: "To be done" });
  await expect(tasks.getByRole("listitem").first()).toContainText(/day 1, 18:00.*Ferment: Setpoint/);
  const key = tasks.getByRole("button", { name: "Into the calendar" });
  await expect(key).toBeDisabled();
  await page.getByLabel("It begins").fill("2026-12-04T18:30");
  await expect(tasks.getByRole("listitem").first()).toContainText(/4 Dec.*18:30/);
  await page.getByRole("button", { name: "Days on which nobody is there" }).click();
  // Back before they left: refused, with what was typed.
  await page.getByLabel("Away 1: until").fill("2026-12-05T18:30");
  await expect(page.getByRole("alert").first()).toContainText("have to end after they begin");
  await page.getByLabel("Away 1: until").fill("2026-12-10T18:30");
  await trialDone(page);
  await expect(
    tasks.getByRole("listitem").filter({ hasText: /10 Dec.*18:30.*(Diacetyl rest|Crash): Setpoint/ }),
  ).toHaveCount(1);
  const saved = page.waitForEvent("download");
  await key.click();
  const file = await saved;
  expect(file.suggestedFilename()).toBe("Calendar.ics");
  const text = readFileSync(await file.path(), "utf8");
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThanOrEqual(2);
  expect(text.match(/BEGIN:VALARM/g)!.length).toBe(text.match(/BEGIN:VEVENT/g)!.length);
  expect(text).toMatch(/UID:.+-s[23]-u1-0@gentle-crock/);
  await page.getByLabel("What is in it").selectOption({ label: "Tempeh" });
  await expect(page.getByRole("alert").first()).toContainText("Change first how that stage ends");
  await expect(page.getByLabel("What is in it")).toHaveValue("ale");
});
