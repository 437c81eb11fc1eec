import { expect, fill, figures, makeChamber, openDemo, stored, openTrial, test, trialDone } from "./fixtures";

test("the demo stands on the shelf with its worst verdict and its next station, and comes once only", async ({
  page,
}) => {
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await expect(page.getByText("The product gets too cold").first()).toBeVisible();
  await expect(page.getByRole("link", { name: "Next: Wiring" })).toBeVisible();
  await expect(page.getByRole("img", { name: /Upright larder fridge, 142.cm tall/ })).toBeVisible();
  await expect(page.getByRole("list", { name: "Chambers" }).getByRole("heading")).toHaveCount(7);
  await page.getByRole("button", { name: /^Remove Larder cabinet/ }).click();
  await expect(page.getByRole("list", { name: "Chambers" }).getByRole("heading")).toHaveCount(6);
  await page.goto("/preferences");
  await page.getByRole("button", { name: "Remove the demo" }).click();
  await page.getByRole("banner").getByRole("link").first().click();
  await expect(page.getByRole("heading", { name: "The shelf is empty" })).toBeVisible();
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "The shelf is empty" })).toBeVisible();
  await page.getByRole("button", { name: "Look at the demo first" }).click();
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
});

test("three questions lead from an empty profile to a bench with settings and a trial", async ({ page }) => {
  const started = Date.now();
  await page.goto("/");
  await page.getByRole("main").getByRole("link", { name: "New chamber" }).click();
  await page.getByText("Lager", { exact: true }).click();
  await fill(page, "Height", "150");
  await fill(page, "Coldest", "5");
  await fill(page, "Warmest", "60");
  await fill(page, "Warmest", "18");
  await page.getByRole("button", { name: "Put it on the shelf and open it" }).click();
  await trialDone(page);
  await page.keyboard.press("6");
  await expect(page.getByLabel("What will happen").getByText("it goes off at 11.0 °C").first()).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("11.0");
  await expect(page.getByText("The product itself will be")).toBeVisible();
  expect(Date.now() - started).toBeLessThan(60_000);
});

test.describe("where people measure in inches", () => {
  test.use({ locale: "en-US" });
  test("a new chamber shows °F, stands on 120 V, and its bars of watts stay within the page", async ({ page }) => {
    await page.goto("/new");
    await page.getByText("Tempeh", { exact: true }).click();
    await page.getByRole("button", { name: "Put it on the shelf and open it" }).click();
    await trialDone(page);
    await page.keyboard.press("4");
    await expect(page.getByRole("combobox", { name: "Mains" })).toHaveValue("one120");
    await expect(page.getByRole("textbox", { name: "Breaker at the wall" })).toHaveValue("15");
    await page.keyboard.press("3");
    const worst = page.getByRole("region", { name: "The worst hour each way" });
    await expect(worst).toContainText("°F");
    for (const bar of await worst.getByRole("img").all()) {
      const inside = await bar.evaluate((of) => of.scrollWidth <= of.clientWidth);
      expect(inside).toBe(true);
    }
  });
});

test("everything that is asked has its effect on the trial, and reload keeps it", async ({ page }) => {
  test.setTimeout(240_000);
  // Of one stage: its figures are those of the whole trial.
  await makeChamber(page, "All knobs", "Wine");
  await openTrial(page);
  let before = await figures(page);
  await page.keyboard.press("Escape");
  const changed = async (what: string) => {
    await openTrial(page);
    await expect.poll(() => figures(page), { message: what }).not.toBe(before);
    before = await figures(page);
    await page.keyboard.press("Escape");
  };
  const knobs: [station: string, label: string, text: string][] = [
    ["1", "Volume", "19"],
    ["1", "Start temperature", "25"],
    ["1", "Original gravity", "1.060"],
    ["1", "Final gravity", "1.009"],
    ["1", "Packet: coldest", "16"],
    ["1", "Packet: warmest", "20"],
    ["1", "Coldest allowed", "17.2"],
    ["1", "Warmest allowed", "19.4"],
    ["1", "Target", "18.1"],
    ["2", "Height", "140"],
    ["2", "Width", "64"],
    ["2", "Thickness of the walls", "40"],
    ["2", "Coldest", "4"],
    ["2", "Warmest", "29"],
    ["2", "Warmest at", "13:00"],
    ["3", "Heater", "120"],
    ["3", "Cooling power", "55"],
    ["2", "Conductivity of the wall", "0.03"],
    ["2", "Season, a month", "-6"],
    ["1", "Jacket or blanket", "5"],
    ["1", "How many alike", "2"],
    ["6", "Setpoint", "18.4"],
    ["6", "Heating differential", "0.8"],
    ["6", "Cooling differential", "0.6"],
    ["6", "Compressor delay", "9"],
    ["6", "Low alarm", "18.1"],
    ["6", "High alarm", "18.9"],
    ["6", "Probe offset", "1"],
    ["5", "Shows too high by", "-0.7"],
  ];
  for (const [station, label, text] of knobs) {
    await page.keyboard.press(station);
    await fill(page, label, text);
    await page.keyboard.press("Escape");
    await page.locator("body").click({ position: { x: 700, y: 62 } });
    await changed(label);
  }
  await page.keyboard.press("5");
  await page.getByText("In a dry thermowell").click();
  await changed("probe place");

  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.keyboard.press("6");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("18.4");
  await expect(page.getByRole("textbox", { name: "Compressor delay", exact: true })).toHaveValue("9");
  await openTrial(page);
  expect(await figures(page)).toBe(before);
});

test("a verdict's remedy is tried, dropped, kept and undone", async ({ page }) => {
  await openDemo(page, "probe");
  const verdicts = page.getByRole("group", { name: "Verdicts" });
  await expect(verdicts.getByText("The product gets too cold")).toBeVisible();
  await verdicts.getByRole("button", { name: "Try it" }).first().click();
  await expect(verdicts.getByText("You are trying:")).toBeVisible();
  await expect(page.getByRole("radio", { name: /Strapped to the vessel/ })).toBeChecked();
  await expect(verdicts.getByText("The product gets too cold")).toBeHidden();
  await verdicts.getByRole("button", { name: "Drop it" }).click();
  await expect(page.getByRole("radio", { name: /Hanging in the air/ })).toBeChecked();
  await verdicts.getByRole("button", { name: "Keep it" }).first().click();
  await expect(page.getByRole("radio", { name: /Strapped to the vessel/ })).toBeChecked();
  await expect(verdicts.getByText("What is normal")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("radio", { name: /Hanging in the air/ })).toBeChecked();
  await page.keyboard.press("Control+Shift+z");
  await expect(page.getByRole("radio", { name: /Strapped to the vessel/ })).toBeChecked();
});

test("a handle on the ruler is dragged, the sentence and the trial follow, one undo takes the whole drag back", async ({
  page,
}) => {
  await openDemo(page);
  const mark = page.locator("[data-mark=setpoint]");
  const box = (await mark.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 10);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(box.x + 20, box.y + 10 - i * 6);
  await page.mouse.up();
  const field = page.getByRole("textbox", { name: "Setpoint", exact: true });
  await expect(field).not.toHaveValue("23.8");
  const value = await field.inputValue();
  expect(Number(value)).toBeGreaterThan(24);
  await expect(page.getByText(`it goes off at ${value} °C`).first()).toBeVisible();
  await expect(mark).toHaveAttribute("aria-valuetext", new RegExp(`${value}.°C \\(`));
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(field).toHaveValue("23.8");
});

test("°C and °F change what is shown, never what is stored", async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press("u");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("74.8");
  await expect(page.getByRole("textbox", { name: "Heating differential" })).toHaveValue("5.9");
  await expect(page.getByText("it goes off at 74.8 °F").first()).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("23.8");
});

test("wrong input says what, where and how to mend it, and loses nothing", async ({ page }) => {
  await openDemo(page, "job");
  await fill(page, "Coldest allowed", "30");
  await expect(page.getByRole("alert").first()).toContainText("has to be below the warmest");
  await expect(page.getByRole("textbox", { name: "Coldest allowed" })).toHaveValue("30");
  await page.getByRole("textbox", { name: "Coldest allowed" }).press("Escape");
  await expect(page.getByRole("textbox", { name: "Coldest allowed" })).toHaveValue("22.5");
  await fill(page, "Original gravity", "12 plato");
  await expect(page.getByRole("alert").first()).toContainText("Type the specific gravity alone");
  await page.goto("/bench?c=nowhere");
  await expect(page.getByRole("heading", { name: "This chamber is not here" })).toBeVisible();
});
