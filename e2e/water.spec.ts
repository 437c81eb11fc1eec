import { expect, fill, openDemo, stored, test, trialDone } from "./fixtures";

test("the water in the air: a lane over the trial, what becomes of it, wrong input, as typed, kept over a reload", async ({
  page,
}) => {
  await openDemo(page, "box");
  await page.goto("/bench?c=demo-curing-cabinet&at=box");
  await trialDone(page);
  await page.getByText("Water in the air", { exact: true }).click();
  const water = page.getByRole("region", { name: "Water in the air" });
  await expect(water).toContainText(/On average the air comes to \d+.%/);
  await expect(water.getByRole("row", { name: /Taken by the dehumidifier/ })).toBeVisible();
  await fill(page, "Dehumidifier, at most", "0");
  await trialDone(page);
  await expect(page.getByText("The air is moister than wanted").first()).toBeVisible();
  await expect(water.getByRole("row", { name: /Taken by the dehumidifier/ })).toBeHidden();
  await fill(page, "Changes of air while shut", "90");
  await expect(water.getByRole("alert")).toContainText(/60/);
  await page.keyboard.press("Escape");
  await stored(page);
  await page.reload();
  await trialDone(page);
  await page.getByText("Water in the air", { exact: true }).click();
  await expect(page.getByRole("textbox", { name: "Dehumidifier, at most" })).toHaveValue("0");
  await page.getByRole("button", { name: "Whole screen" }).click();
  await expect(page.getByRole("img", { name: /^Humidity of the air/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await water.getByRole("checkbox", { name: "Work the humidity of the air out" }).uncheck();
  await trialDone(page);
  await expect(page.getByRole("textbox", { name: "Humidity of the air in the box" })).toBeVisible();
  await expect(page.getByText("The air is moister than wanted")).toBeHidden();
});

test("heat and cold: the worst hour each way, what may touch, a second heater, ice by the clock", async ({ page }) => {
  await openDemo(page, "heat");
  const worst = page.getByRole("region", { name: "The worst hour each way" });
  await expect(worst.getByRole("img", { name: /^Heat that is asked for: through the wall \d+ W/ })).toBeVisible();
  await expect(worst.getByRole("img", { name: /^Heat that the devices give: Tube heater 60 W/ })).toBeVisible();
  await fill(page, "Heater", "10");
  await expect(worst).toContainText("That does not hold it.");
  await page.getByRole("button", { name: "Another heater" }).click();
  await expect(worst.getByRole("img", { name: /^Heat that the devices give: Tube heater 1/ })).toBeVisible();
  await page.getByText("How hot the heater gets").click();
  await expect(page.getByRole("region", { name: "What may touch the heater" })).toContainText("Never against it:");
  await page.goto("/bench?c=demo-picnic-box&at=heat");
  await trialDone(page);
  await page.getByRole("button", { name: "Another cooler" }).click();
  await page.getByRole("radio", { name: "Ice or frozen bottles" }).last().check();
  await page.getByText("Ice by the clock").click();
  const ice = page.getByRole("region", { name: "Ice by the clock" });
  await ice.getByRole("radio", { name: "3" }).check();
  await expect(ice.getByRole("row")).toHaveCount(4);
  const bottle = page.getByRole("textbox", { name: "Ice in one bottle" });
  await bottle.fill("0");
  await bottle.press("Enter");
  await expect(ice.getByRole("alert")).toContainText("between 0.05 and 20");
});

test("a year by its seasons, and other ways side by side, each of them tried", async ({ page }) => {
  await openDemo(page, "heat");
  await page.getByText("Electricity by the season").click();
  const seasons = page.getByRole("region", { name: "Electricity by the season" });
  await expect(seasons).toContainText(/Over a year in which it runs all the time: \d+ kWh/, { timeout: 60_000 });
  await expect(seasons.getByRole("row", { name: /^Winter/ })).toContainText(/\d+\.\d/);
  await page.getByText("Other ways to do the same").click();
  const beside = page.getByRole("region", { name: "Other ways to do the same" });
  await expect(beside).toContainText("All of them have been tried.", { timeout: 60_000 });
  await expect(beside.getByRole("columnheader", { name: "Box of foam, made to fit" })).toBeVisible();
  await expect(beside.getByRole("row", { name: /^kWh a day/ })).toContainText(/0\.\d+/);
  await expect(beside).toContainText("There is one vessel");
});

test("a wall by its layers is taken over, and undone", async ({ page }) => {
  await page.goto("/demo");
  await expect(page.getByRole("heading", { name: "Larder cabinet, rye saison" })).toBeVisible();
  await page.goto("/bench?c=demo-picnic-box&at=box");
  await trialDone(page);
  await page.getByText("Wall by its layers").click();
  const wall = page.getByRole("region", { name: "Wall by its layers" });
  await wall.getByRole("button", { name: "Another layer" }).click();
  await expect(wall.getByRole("combobox")).toHaveCount(4);
  await wall.getByRole("button", { name: "Take layer 4 out" }).click();
  await wall.getByRole("button", { name: "Take this wall" }).click();
  await expect(page.getByRole("textbox", { name: "Thickness of the walls" })).toHaveValue("64");
  await expect(wall).toContainText("The box has this wall.");
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "Thickness of the walls" })).not.toHaveValue("64");
});
