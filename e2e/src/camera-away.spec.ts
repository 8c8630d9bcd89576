import { readFileSync } from "node:fs";
import { join } from "node:path";
import { SimulatedCamera } from "@wide-quilt/devices";
import { SITTERS, sitterPhoto } from "./sitters.ts";
import { expect, faults, jobOf, startJob, test, type } from "./test.ts";

// There is a camera, but nobody allows the page to use it.
test.use({
  apart: true,
  launchOptions: [
    ({ launchOptions }, use) =>
      use({
        ...launchOptions,
        args: [...(launchOptions.args ?? []), "--use-fake-device-for-media-stream"],
      }),
    { scope: "worker" },
  ],
});

test("without a camera that may be used a camera on a cable serves: what it writes goes to whose turn it is", async ({
  table: page,
  folder,
}) => {
  await startJob(page, /Document photos/);
  await page.goto(`${page.url()}/people`);
  for (const [i, name] of ["Ada", "Ben"].entries()) {
    await page.getByRole("button", { name: "Add a person" }).click();
    await type(page, `Name of Person ${i + 1}`, name);
  }
  await page.getByRole("link", { name: "Take photos here" }).click();
  await expect(page.getByRole("alert")).toContainText("was not allowed to use the camera");
  expect(await faults(page)).toEqual([]);

  const photos = await Promise.all(
    SITTERS.slice(0, 3).map((one, i) => sitterPhoto(folder, `seen-${i}.jpg`, one)),
  );
  const camera = new SimulatedCamera({
    folder: join(folder, "card"),
    sees: (shot) => Promise.resolve(readFileSync(photos[shot]!)),
  });
  await page.getByText("A camera on a cable").click();
  await type(page, "Folder that it writes to", join(folder, "nowhere"));
  await expect(page.getByText(/nowhere is not there/)).toBeVisible();
  await type(page, "Folder that it writes to", camera.folder);
  await expect(page.getByText(/go to the person whose turn it is/)).toBeVisible();
  const next = page.getByRole("button", { name: /^Next: Ben/ });
  await camera.shoot();
  await expect(next).toBeVisible();
  // Taken once more, and the page loaded again in the middle: nothing of Ada’s goes to Ben.
  await page.keyboard.press("r");
  await camera.shoot();
  await expect(next).toBeVisible();
  await expect.poll(async () => (await jobOf(page)).stash.map(({ name }) => name)).toEqual(["IMG_0002.JPG"]);
  await page.reload();
  await expect(page.getByText("1 of 2 have a photo")).toBeVisible();
  await camera.shoot();
  await expect(page.getByRole("button", { name: /^Somebody new Enter/ })).toBeVisible();
  const taken = async () => {
    const { ticket, stash } = await jobOf(page);
    const people = ticket.kind === "portraits" ? ticket.people : [];
    return people.map(({ name, photo }) => [name, stash.find(({ id }) => id === photo)?.name]);
  };
  // The page is a little ahead of what the server keeps.
  await expect.poll(taken).toEqual([
    ["Ada", "IMG_0002.JPG"],
    ["Ben", "IMG_0003.JPG"],
  ]);
  await expect(page.getByText("passes").or(page.getByText("look at it")).first()).toBeVisible();
});
