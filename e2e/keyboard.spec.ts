import type { Page } from "@playwright/test";
import { expect, test, trialDone } from "./fixtures";

/** Presses Tab until the element with this name has the focus. */
async function tabTo(page: Page, name: RegExp, most = 90): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press("Tab");
    const label = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      const by = e?.id ? document.querySelector(`label[for="${e.id}"]`)?.textContent : "";
      const own = e instanceof HTMLInputElement ? (e.closest("label")?.textContent ?? "") : (e?.textContent ?? "");
      return e?.getAttribute("aria-label") ?? (by || own);
    });
    if (name.test(label.trim())) return;
  }
  throw new Error(`Tab never reached ${String(name)}`);
}

test("from an empty profile to a changed setpoint, a kept remedy and the card, by keyboard alone", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "The shelf is empty" })).toBeVisible();
  await tabTo(page, /^New chamber/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "New chamber" })).toBeVisible();
  await tabTo(page, /^Ale/);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("radio", { name: /^Warm-fermented farmhouse beer/ })).toBeChecked();
  await tabTo(page, /^Height$/);
  await page.keyboard.type("160");
  await tabTo(page, /^Coldest$/);
  await page.keyboard.press("ArrowDown");
  await tabTo(page, /^Put it on the shelf/);
  await page.keyboard.press("Enter");
  await trialDone(page);

  await page.keyboard.press("6");
  await tabTo(page, /^Setpoint$/);
  await page.keyboard.press("ArrowUp");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.6");
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("textbox", { name: "Setpoint", exact: true })).toHaveValue("24.5");

  await page.keyboard.press("Escape");
  await page.keyboard.press("5");
  await page.getByRole("radio", { name: /Strapped to the vessel/ }).focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press("ArrowUp");
  await expect(page.getByRole("radio", { name: /Hanging in the air/ })).toBeChecked();
  await trialDone(page);
  await expect(page.getByRole("button", { name: "Keep it" }).first()).toBeVisible();
  await tabTo(page, /^Keep it$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("radio", { name: /Strapped to the vessel/ })).toBeChecked();

  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toBeHidden();
  await page.keyboard.press("t");
  await expect(page.getByRole("dialog", { name: "Trial" })).toBeVisible();
  await page.keyboard.press("Escape");
  await tabTo(page, /^Card$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Card for the door" })).toBeVisible();
});

test("single keys can be switched off", async ({ page }) => {
  await page.goto("/demo");
  await page.goto("/preferences");
  await page.getByRole("group", { name: "Shortcuts of a single key" }).getByText("Off").click();
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toHaveCount(0);
});
