import AxeBuilder from "@axe-core/playwright";
import { expect, openDemo, screens, test, trialDone } from "./fixtures";

for (const [part, of] of [
  ["rooms", screens.filter(([, path]) => !path.startsWith("/bench"))],
  ["stations", screens.filter(([, path]) => path.startsWith("/bench"))],
] as const)
  test(`no accessibility violation, light and dark: ${part}`, async ({ page }) => {
    await openDemo(page);
    for (const [name, path] of of)
      await test.step(name, async () => {
        await page.goto(path);
        if (path.startsWith("/bench")) await trialDone(page);
        else await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
        await page.waitForLoadState("networkidle");
        for (const colorScheme of ["light", "dark"] as const) {
          await page.emulateMedia({ colorScheme });
          // In the other theme nothing but the colours is another.
          const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] });
          const { violations } = await (colorScheme === "light" ? axe : axe.withRules("color-contrast")).analyze();
          const said = violations.map(
            (v) => `${name}, ${colorScheme}, ${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join(" | ")}`,
          );
          expect(said).toEqual([]);
        }
      });
  });

test("no accessibility violation: the full trial, the shortcuts, the empty shelf", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "The shelf is empty" })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await openDemo(page);
  await page.keyboard.press("t");
  await expect(page.getByRole("dialog", { name: "Trial" })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.keyboard.press("t");
  await page.keyboard.press("?");
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 360, height: 780 }, hasTouch: true });
  test("the stations, the ruler and the trial work by touch", async ({ page }) => {
    await openDemo(page, "job");
    // A station comes in a piece of its own: nothing moves under the finger once it is there.
    await expect(page.getByRole("heading", { level: 2, name: /What is in it/ })).toBeVisible();
    // A page that has only just come may not have heard the first touch; a second one goes no further than the first.
    await expect(async () => {
      if (await page.getByText("1 of 8 · Job").isVisible())
        await page.getByRole("button", { name: "Next station" }).tap();
      await expect(page.getByText("2 of 8 · Box")).toBeVisible({ timeout: 5000 });
    }).toPass();
    await page.getByRole("button", { name: "Setpoint: warmer" }).tap();
    await expect(page.getByRole("slider", { name: "Setpoint" })).toContainText("23.9");
    await page.getByRole("button", { name: "Next warmer mark" }).tap();
    await expect(page.getByRole("slider", { name: "Warmest allowed" })).toBeVisible();
    await page.getByRole("button", { name: "Trial on the whole screen" }).tap();
    await expect(page.getByRole("dialog", { name: "Trial" })).toBeVisible();
    // Back closes the trial first, and leaves the station only then.
    await page.goBack();
    await expect(page.getByRole("dialog", { name: "Trial" })).toHaveCount(0);
    await expect(page.getByText("2 of 8 · Box")).toBeVisible();
    await page.goBack();
    await expect(page.getByText("1 of 8 · Job")).toBeVisible();
    await page.goForward();
    await page.getByLabel("More: card, redo, units").tap();
    await page.getByRole("button", { name: "Show °F instead of °C" }).tap();
    await expect(page.getByRole("slider", { name: "Warmest allowed" })).toContainText("°F");
    await page.getByLabel("More: card, redo, units").tap();
    await page.getByRole("link", { name: "Card for the door" }).tap();
    await expect(page.getByRole("heading", { name: "Card for the door" })).toBeVisible();
  });
});
