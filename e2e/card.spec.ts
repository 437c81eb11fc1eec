import type { Page } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { expect, openDemo, test } from "./fixtures";

async function print(page: Page): Promise<{ pages: number; width: number; height: number; text: string }> {
  const pdf = await getDocument({ data: new Uint8Array(await page.pdf({ preferCSSPageSize: true })) }).promise;
  const first = await pdf.getPage(1);
  const [, , width = 0, height = 0] = first.view;
  const content = await first.getTextContent();
  const text = content.items.map((item) => ("str" in item ? item.str : "")).join(" ");
  return { pages: pdf.numPages, width, height, text: text.replace(/\s+/g, " ") };
}

for (const { paper, width, height } of [
  { paper: "A6", width: 105, height: 148 },
  { paper: "Half letter", width: 139.7, height: 215.9 },
]) {
  test(`the card prints on one page of ${paper} with its numbers`, async ({ page }) => {
    await openDemo(page);
    await page.getByRole("link", { name: "Card", exact: true }).click();
    await page.getByLabel("Paper").selectOption(paper);
    await expect(page.locator("article[data-ready=true]")).toBeVisible();
    const card = await print(page);
    expect(card.pages).toBe(1);
    // ISO 216 and half of ANSI A, in points of 1/72 inch.
    expect(Math.abs(card.width - (width / 25.4) * 72)).toBeLessThan(1.5);
    expect(Math.abs(card.height - (height / 25.4) * 72)).toBeLessThan(1.5);
    for (const part of [
      "Larder cabinet, rye saison",
      "Setpoint 23.8 °C",
      "Heating differential 3.3 °C",
      "Compressor delay 5 min",
      "Low alarm 18.9 °C",
      "it goes off at 23.8 °C",
      "Not in order yet.",
      "When the alarm sounds",
      "75.2",
    ])
      expect(card.text.replaceAll("\u00a0", " ")).toContain(part);
    expect(card.text).not.toContain("Paper");
  });
}
