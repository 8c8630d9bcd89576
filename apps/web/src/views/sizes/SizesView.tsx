import { PRINTERS, type Printer } from "@wide-quilt/core";
import { Download, FileInput, Plus } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { address, server } from "../../api/client.ts";
import { readJsonFile } from "../../api/jsonFile.ts";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJobs } from "../../app/Way.tsx";
import { useAppSelector } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { currencyOf, LOCALE } from "../../app/preferences.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useTitle } from "../../app/useTitle.ts";
import { usePlaces } from "../../places/places.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { button } from "../../ui/button.ts";
import { KeptCard } from "./KeptCard.tsx";
import { PrinterEditor } from "./PrinterEditor.tsx";
import { PrinterRow } from "./PrinterRow.tsx";
import { ProfilesCard } from "./ProfilesCard.tsx";
import { ScreenCard } from "./ScreenCard.tsx";

/** Printers with their papers and measures, the profiles of papers, and the true size of this screen. */
export function SizesView() {
  useTitle("Sizes");
  const doing = useDoing();
  const navigate = useNavigate();
  const { printers, profiles } = usePlaces();
  const [edited, setEdited] = useState<Printer | null>(null);
  const unit = useAppSelector((state) => state.preferences.unit);
  const add = () => {
    const [usual] = PRINTERS as [Printer];
    const price = { currency: currencyOf(LOCALE), perSheet: 0, perSquareMetre: 0, ink: 0 };
    setEdited({ ...usual, id: `own-${newId()}`, name: "New printer", price });
  };
  const startRuler = () =>
    doing(async () => {
      const { id } = await server.startJob("ruler", "Ruler sheet", LOCALE, unit);
      await navigate(`/jobs/${id}`);
    });
  const changing = (work: () => Promise<unknown>) => doing(work, { changes: "printers" });
  const importFile = ([file]: File[]) =>
    changing(async () => server.importPrinters(await readJsonFile(file!, "printers")));
  return (
    <div className="min-h-screen">
      <PageHead title="Sizes" under={[<WayToJobs key="jobs" />]}>
        <FileButton
          label="Printers file"
          accept=".json,application/json"
          className={button.plain}
          onFiles={(files) => void importFile(files)}
        >
          <FileInput size={16} aria-hidden /> Open a printers file
        </FileButton>
        <a className={button.plain} href={address.printersFile} download>
          <Download size={16} aria-hidden /> Save them as a file
        </a>
      </PageHead>
      <main className="mx-auto grid max-w-[1320px] grid-cols-[minmax(0,1fr)_372px] items-start gap-8 px-8 pt-7 pb-16">
        <section aria-labelledby="printers">
          <div className="mb-1 flex items-center justify-between">
            <h2 id="printers" className="text-[15px] font-semibold">
              Printers and their papers
            </h2>
            <button type="button" className={button.plain} onClick={add}>
              <Plus size={15} aria-hidden /> Add one
            </button>
          </div>
          <p className="mb-4 text-[13px] text-ink-2">
            A job keeps what it was told of its printer; what is changed here is there for the next one. Those
            that came with the program are made up, and so are their prices. To find a printer’s own scale
            error, print a{" "}
            <button
              type="button"
              className="text-accent underline underline-offset-2"
              onClick={() => void startRuler()}
            >
              ruler sheet
            </button>{" "}
            and type in what a ruler says.
          </p>
          <ul className="flex flex-col gap-2.5">
            {printers.map((printer) => (
              <PrinterRow
                key={printer.id}
                printer={printer}
                profiles={profiles}
                onEdit={() => setEdited(printer)}
                onRemove={() => void changing(() => server.removePrinter(printer.id))}
              />
            ))}
          </ul>
        </section>
        <aside className="flex flex-col gap-8">
          <ProfilesCard profiles={profiles} />
          <ScreenCard />
          <KeptCard />
        </aside>
      </main>
      {edited && (
        <PrinterEditor
          printer={edited}
          onClose={() => setEdited(null)}
          onKeep={(printer) => {
            setEdited(null);
            void changing(() => server.keepPrinter(printer));
          }}
        />
      )}
    </div>
  );
}
