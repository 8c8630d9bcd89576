import {
  applyEdit,
  freshCopiesJob,
  mm,
  paperById,
  PRINTERS,
  printerOfJob,
  um,
  type Job,
  type JobEdit,
  type PhotoRef,
} from "@wide-quilt/core";

const onPaper = (id: string): JobEdit => {
  const { name, width, height } = paperById(id);
  return { do: "sheet", change: { paper: { name, width, height } } };
};

const named = (photos: readonly PhotoRef[], name: string): PhotoRef => {
  const photo = photos.find((candidate) => candidate.name === name);
  if (!photo) throw new RangeError(`The demo has no photo ${name}`);
  return photo;
};

/** The finished jobs that the demo begins with, the last one changed first. */
export function demoJobs(photos: readonly PhotoRef[]): Job[] {
  const make = (name: string, edits: JobEdit[]) => edits.reduce(applyEdit, freshCopiesJob(name, "en-GB"));
  const portraits = photos.filter(({ name }) => name.startsWith("MS-"));
  const scenes = photos.filter(({ name }) => !name.startsWith("MS-"));
  const inkjet = PRINTERS.find(({ id }) => id === "inkjet-glossy")!;
  return [
    make("Members’ cards, low water", [
      onPaper("a4"),
      {
        do: "sheet",
        change: {
          printer: printerOfJob(inkjet),
          ppi: inkjet.ppi,
          lie: "portrait",
          margins: { top: mm(12.5), right: mm(12.5), bottom: mm(12.5), left: mm(12.5) },
        },
      },
      { do: "ticket", change: { copies: 10, size: { width: mm(85.6), height: mm(53.98) }, gap: mm(0) } },
      {
        do: "finish",
        change: { marks: { kind: "crosses", length: mm(5), width: um(150), colour: "#20242c" } },
      },
      { do: "add photos", photos: scenes },
      { do: "put in all", photo: named(photos, "low-water.jpg").id },
    ]),
    make("Ringers’ badges, spring team", [
      { do: "ticket", change: { copies: 8 } },
      { do: "finish", change: { outline: { width: um(200), colour: "#9a9a9a" } } },
      { do: "add photos", photos: portraits },
      { do: "shot", shot: 1, change: { centre: { x: 0.5, y: 0.45 } } },
    ]),
  ];
}
