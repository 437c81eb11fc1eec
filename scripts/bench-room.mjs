// Recorded rooms in the browser: from the choice of a table to its picture, and a year of readings opened again.
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const table = (rows) =>
  [
    "h;°C",
    ...Array.from({ length: rows }, (_, i) => `${(i / 360).toFixed(5)};${(12 + 6 * Math.sin(i / 1375)).toFixed(2)}`),
  ].join("\n");

/** Prints a line for a million readings and one for a year of them, on the chamber whose Box is open. */
export async function benchRooms(page) {
  const dir = mkdtempSync(join(tmpdir(), "crock-bench-"));
  const picture = (span) => page.getByRole("img", { name: new RegExp(`lowest and highest over ${span}`) });
  const choose = async (rows, span) => {
    const file = join(dir, `${rows}.csv`);
    writeFileSync(file, table(rows));
    const start = performance.now();
    await page.getByLabel("Table with times and temperatures").setInputFiles(file);
    await page.getByText("It begins:").waitFor();
    const glance = performance.now() - start;
    await picture(span).locator("path").waitFor({ timeout: 120_000 });
    return { glance, whole: performance.now() - start };
  };
  try {
    const million = await choose(1_000_000, "115");
    console.log(
      `A table of a million readings: first ones shown after ${million.glance.toFixed(0)} ms, all of them drawn after ${(million.whole / 1000).toFixed(1)} s`,
    );
    await page.getByRole("button", { name: "Back to the daily swing" }).click();
    await choose(3_153_600, "365");
    const opened = [];
    for (let i = 0; i < 7; i++) {
      await page.getByText(/What the trial sees/).click();
      await picture("7").locator("path").waitFor();
      opened.push(
        await page.evaluate(async () => {
          const all = [...document.querySelectorAll("label")].find((l) => l.textContent.includes("All of it"));
          const start = performance.now();
          all.querySelector("input").click();
          const drawn = () => document.querySelector("svg[aria-label*='highest over 365'] path");
          while (!drawn()) await new Promise((resolve) => setTimeout(resolve, 1));
          return performance.now() - start;
        }),
      );
    }
    opened.sort((a, b) => a - b);
    console.log(
      `A year of readings at ten seconds opened: median ${opened[3].toFixed(0)} ms, slowest ${opened[6].toFixed(0)} ms`,
    );
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}
