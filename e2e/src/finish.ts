import { expect, type Page } from "@playwright/test";
import { part } from "./test.ts";

/** Millimetres as pixels of a sheet at 300 ppi. */
export const px = (mm: number): number => Math.round((mm * 300) / 25.4);

/** Opens a part of the finish from the ticket, as a person does. */
export async function finish(page: Page, title: string): Promise<void> {
  await part(page, "Finish").click();
  const back = page.getByRole("button", { name: "Back to the finish" });
  if (await back.isVisible()) await back.click();
  await page
    .getByRole("region", { name: "Finish", exact: true })
    .getByRole("button", { name: new RegExp(`^${title} ?`) })
    .first()
    .click();
  await expect(page.getByRole("region", { name: title, exact: true })).toBeVisible();
}

/** A sentence at the foot of the page. */
export const notice = (page: Page, text: string | RegExp) => page.getByText(text).first();
