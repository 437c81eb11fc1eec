import { readFileSync } from "node:fs";
import { expect, fill, makeChamber, openDemo, test, trialDone } from "./fixtures";

test("a unit's sheet is filled in once, and sentence, fields and card read in its words; it goes out and comes back", async ({
  page,
}) => {
  await makeChamber(page, "Mine", "Just hold a temperature");
  await page.keyboard.press("6");
  await page.getByText("Its sheet: what things are called on your unit").click();
  await fill(page, "What you call it", "Garage unit");
  await fill(page, "How one gets into its settings", "both arrows together");
  await fill(page, "How one saves and leaves", "both arrows again");
  await page.getByLabel("A pause while setting").selectOption({ label: "Drops what was changed" });
  const sheet = page.locator("[data-part='unit-sheet']");
  await sheet.getByRole("textbox", { name: "Setpoint is called" }).fill("Goal");
  await sheet.getByRole("textbox", { name: "Setpoint is called" }).press("Enter");
  const place = sheet.getByRole("textbox", { name: "Place" });
  await place.nth(0).fill("3");
  await place.nth(0).press("Enter");
  await expect(page.getByRole("heading", { name: "To key in on \u201cGarage unit\u201d" })).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Goal", exact: true })).toHaveValue("20.0");
  const steps = page.getByRole("region", { name: "Step by step" }).getByRole("listitem");
  await expect(steps.first()).toHaveText("Enter: both arrows together");
  await expect(steps.nth(1)).toContainText("Goal (number 3), which is the setpoint: 20.0");
  await expect(page.getByText(/A pause of 10.s drops what you have changed/)).toBeVisible();

  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export this sheet" }).click();
  const path = await (await download).path();
  await page.getByLabel("Or start from a plain sheet").selectOption({ label: "One outlet, two limits" });
  await expect(page.getByRole("textbox", { name: "On at (low limit)", exact: true })).toBeVisible();
  await page
    .getByLabel("A unit sheet")
    .setInputFiles({ name: "broken.json", mimeType: "application/json", buffer: Buffer.from("{") });
  await expect(page.getByRole("alert").filter({ hasText: "complete JSON" })).toBeVisible();
  await page
    .getByLabel("A unit sheet")
    .setInputFiles({ name: "mine.json", mimeType: "application/json", buffer: readFileSync(path) });
  await expect(page.getByRole("textbox", { name: "Goal", exact: true })).toHaveValue("20.0");

  for (const [moment, word] of [
    ["The probe is unplugged or broken", "E1"],
    ["An alarm sounds", "AH"],
  ] as const) {
    await fill(page, moment, word);
  }
  await expect(page.getByText("The alarm sounds (its display shows “AH”)").first()).toBeVisible();
  await trialDone(page);
  await page.getByRole("link", { name: "Print the card for the door" }).click();
  const card = page.locator("article[data-ready='true']");
  await expect(card).toContainText("3. Goal (setpoint)");
  await expect(card).toContainText("Enter: both arrows together");
  await expect(card).toContainText("drops what you have changed");
  await expect(card).toContainText("“E1”: the probe is unplugged or broken");
});

test("numbers that stand in a unit are read back, questioned with the reason, and taken over only when asked", async ({
  page,
}) => {
  await openDemo(page);
  await page.getByText("Numbers that stand in your unit already").click();
  const part = page.locator("[data-part='read-back']");
  const type = async (label: string, text: string) => {
    const field = part.getByRole("textbox", { name: `${label}, in the unit`, exact: true });
    await field.fill(text);
    await field.press("Enter");
  };
  await type("Setpoint", "72F");
  await type("Heating differential", "1");
  await type("Compressor delay", "0");
  await type("Low alarm", "0");
  const words = page.getByRole("region", { name: "What your unit will do" });
  await expect(words).toContainText("At 21.2 °C and below the heater comes on; it goes off at 22.2 °C.");
  await expect(part.locator("[data-question='no-delay']")).toContainText("no matter of patience");
  await expect(part.locator("[data-question='alarm-late']")).toContainText("never sound in time");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("23.8");
  await part.getByRole("button", { name: "Take these numbers over" }).click();
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("22.2");
  await page.keyboard.press("Escape");
  await page.locator("h2").first().click();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("23.8");
});

test("every kind of unit: its own parameters, a sentence that fits, a trial; two limits set any of them", async ({
  page,
}) => {
  await makeChamber(page, "Kinds");
  await page.keyboard.press("6");
  await page.getByText(/^Your unit: /).click();
  const kinds = page.getByRole("group", { name: "Its kind" });
  for (const [kind, parameter] of [
    ["Two outlets, one differential", "Differential"],
    ["One outlet, comes on at the setpoint", "Differential"],
    ["One outlet, goes off at the setpoint", "Differential"],
    ["One outlet, two limits", "On at (low limit)"],
    ["Heat only, alarms as distances", "Low alarm, distance"],
    ["Watches only, with alarms", "Low alarm"],
    ["Two outlets, two differentials", "Cooling differential"],
  ] as const) {
    await kinds.getByText(kind, { exact: true }).click();
    await expect(page.getByRole("textbox", { name: parameter, exact: true })).toBeVisible();
    await trialDone(page);
  }
  await page.getByText("From two limits", { exact: true }).click();
  await fill(page, "Lower limit", "18");
  await fill(page, "Upper limit", "17");
  await expect(page.getByRole("alert").filter({ hasText: "below the upper one" })).toBeVisible();
  await fill(page, "Upper limit", "22");
  await page.getByRole("button", { name: "Take these settings" }).click();
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("20.0");
  await expect(page.getByRole("textbox", { name: "Heating differential", exact: true })).toHaveValue("2.0");
});

test("more vessels, a heat curve and a watching probe: put in, seen in the trial, taken out", async ({ page }) => {
  await makeChamber(page, "Full", "Just hold a temperature");
  await page.getByText("Heat of its own: none").click();
  await page.getByRole("button", { name: "Add a point" }).click();
  await page.getByRole("button", { name: "Add a point" }).click();
  await fill(page, "Point 2: heat", "9");
  await expect(page.getByText("Heat of its own: up to 9 W")).toBeVisible();
  await fill(page, "Point 2: after", "0");
  await expect(page.getByRole("alert").first()).toContainText("follow each other in time");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Something else stands in it too" }).click();
  await expect(page.getByRole("heading", { name: "Vessel 2", exact: true })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.locator("h2").first().click();
  await page.keyboard.press("5");
  await page.getByRole("button", { name: "Another probe, to watch" }).click();
  await page.getByLabel("Probe 2, watching", { exact: true }).selectOption({ label: "Hanging in the air" });
  await trialDone(page);
  await page.locator("h2").first().click();
  await page.keyboard.press("t");
  await page.getByRole("checkbox", { name: "probe 2, watching" }).check();
  await page.getByRole("checkbox", { name: "vessel 2" }).check();
  await expect(page.getByRole("slider", { name: /Moment of the trial/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: /^Take it out.*probe 2/ }).click();
  await expect(page.getByText("None. A second one shows")).toBeVisible();
});
