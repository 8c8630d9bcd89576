import { countryOf, type Job } from "@wide-quilt/core";
import { CalendarDays, FileText, Moon, Plus, Sun } from "lucide-react";
import { useEffect, useState, type ReactNode } from "react";
import type { HolidayPlace } from "@wide-quilt/server/contract";
import { server } from "../api/client.ts";
import { LOCALE } from "../app/preferences.ts";
import { FileButton } from "../ui/FileButton.tsx";
import { NumberField } from "../ui/NumberField.tsx";
import { SelectField } from "../ui/SelectField.tsx";
import { Check } from "../ui/Check.tsx";
import { button } from "../ui/button.ts";
import { freshSource, HOLIDAYS, SKY, withDays, type Came } from "./sources.ts";
import { THIS_ZONE } from "./today.ts";

interface Props {
  /** Kinds of days that are there already. */
  count: number;
  busy: boolean;
  bring(find: (job: Job) => Promise<Came>): Promise<void>;
}

interface AllProps extends Props {
  bringFiles(files: readonly File[]): Promise<void>;
}

/** Ways for days to come in: holidays, files, typed ones, the sky, another calendar. */
export function AddDays({ count, busy, bring, bringFiles }: AllProps) {
  const [more, setMore] = useState<"holidays" | "sun" | "dates" | null>(null);
  const turn = (to: NonNullable<typeof more>) => setMore(more === to ? null : to);
  return (
    <div className="flex flex-col gap-2.5">
      <div className="flex flex-wrap gap-1.5">
        <button
          type="button"
          aria-expanded={more === "holidays"}
          className={button.plain}
          onClick={() => turn("holidays")}
        >
          <CalendarDays size={14} aria-hidden /> Holidays of a country
        </button>
        <FileButton
          label="Files of events or lists of days"
          accept=".ics,.ical,.csv,.tsv,.txt,text/calendar,text/csv"
          multiple
          className={button.plain}
          onFiles={(files) => void bringFiles(files)}
        >
          <FileText size={14} aria-hidden /> From a file (.ics, CSV)
        </FileButton>
        <button
          type="button"
          className={button.plain}
          onClick={() =>
            void bring(() =>
              Promise.resolve({ source: freshSource("Days of mine", { kind: "typed" }, count), said: [] }),
            )
          }
        >
          <Plus size={14} aria-hidden /> Typed by hand
        </button>
        <button
          type="button"
          className={button.plain}
          disabled={busy}
          onClick={() =>
            void bring((job) =>
              withDays(
                job,
                freshSource("Moon", { kind: "moon", zone: THIS_ZONE }, count, { ...SKY, words: false }),
              ),
            )
          }
        >
          <Moon size={14} aria-hidden /> The moon
        </button>
        <button
          type="button"
          aria-expanded={more === "sun"}
          className={button.plain}
          onClick={() => turn("sun")}
        >
          <Sun size={14} aria-hidden /> Sunrise and sunset
        </button>
        <button
          type="button"
          aria-expanded={more === "dates"}
          className={button.plain}
          onClick={() => turn("dates")}
        >
          <CalendarDays size={14} aria-hidden /> Another calendar
        </button>
      </div>
      {more === "holidays" && <AddHolidays count={count} busy={busy} bring={bring} />}
      {more === "sun" && <AddSun count={count} busy={busy} bring={bring} />}
      {more === "dates" && <AddDates count={count} busy={busy} bring={bring} />}
    </div>
  );
}

interface AskedProps {
  title: string;
  /** What the button says that brings the days in. */
  put: string;
  busy: boolean;
  onPut(): void;
  children: ReactNode;
}

/** What is asked about days before they can be worked out. */
const Asked = ({ title, put, busy, onPut, children }: AskedProps) => (
  <section aria-label={title} className="flex flex-col gap-2 rounded-md bg-chrome p-2.5">
    {children}
    <button type="button" disabled={busy} className={`${button.main} self-start`} onClick={onPut}>
      {put}
    </button>
  </section>
);

const LANGUAGE = LOCALE.split("-")[0]!;

function AddHolidays({ count, busy, bring }: Props) {
  const [places, setPlaces] = useState<HolidayPlace[] | null>(null);
  const [chosen, setChosen] = useState({ country: countryOf(LOCALE), state: "", region: "" });
  const [all, setAll] = useState(false);
  useEffect(() => {
    let here = true;
    server.holidayPlaces(LANGUAGE).then(
      (found) => here && setPlaces(found),
      () => here && setPlaces([]),
    );
    return () => {
      here = false;
    };
  }, []);
  if (places === null) return <p className="text-[12.5px] text-ink-2">Looking up countries …</p>;
  const country = places.find(({ code }) => code === chosen.country) ?? places[0];
  if (!country)
    return <p className="text-[12.5px] text-ink-2">The list of countries cannot be had just now.</p>;
  const state = country.parts.find(({ code }) => code === chosen.state);
  const region = state?.parts.find(({ code }) => code === chosen.region);
  const choices = (of: readonly HolidayPlace[]) => of.map(({ code, name }) => ({ value: code, text: name }));
  const whole = { value: "", text: "all of it" };
  return (
    <Asked
      title="Holidays of a country"
      put="Put them in"
      busy={busy}
      onPut={() =>
        void bring((job) => {
          const names = [country.name, state?.name, region?.name].filter(Boolean).join(", ");
          const from = {
            kind: "holidays" as const,
            country: country.code,
            state: state?.code ?? null,
            region: region?.code ?? null,
            language: job.calendar?.languages[0]?.tag.split("-")[0] ?? LANGUAGE,
            all,
          };
          return withDays(job, freshSource(`Holidays of ${names}`, from, count, HOLIDAYS));
        })
      }
    >
      <div className="grid grid-cols-3 gap-2">
        <SelectField
          label="Country"
          value={country.code}
          choices={choices(places)}
          onChange={(code) => setChosen({ country: code, state: "", region: "" })}
        />
        {country.parts.length > 0 && (
          <SelectField
            label="Part of it"
            value={state?.code ?? ""}
            choices={[whole, ...choices(country.parts)]}
            onChange={(code) => setChosen({ country: country.code, state: code, region: "" })}
          />
        )}
        {state && state.parts.length > 0 && (
          <SelectField
            label="Region"
            value={region?.code ?? ""}
            choices={[whole, ...choices(state.parts)]}
            onChange={(code) => setChosen({ ...chosen, region: code })}
          />
        )}
      </div>
      <Check label="days that are kept without a day off, too" checked={all} onChange={setAll} />
    </Asked>
  );
}

function AddSun({ count, busy, bring }: Props) {
  const [at, setAt] = useState({ latitude: 52, longitude: 1 });
  return (
    <Asked
      title="Sunrise and sunset"
      put="Put them in"
      busy={busy}
      onPut={() =>
        void bring((job) =>
          withDays(
            job,
            freshSource("Sunrise and sunset", { kind: "sun", ...at, zone: THIS_ZONE }, count, SKY),
          ),
        )
      }
    >
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Latitude, north of the equator"
          value={at.latitude}
          least={-90}
          most={90}
          unit="°"
          onChange={(latitude) => setAt({ ...at, latitude })}
        />
        <NumberField
          label="Longitude, east of Greenwich"
          value={at.longitude}
          least={-180}
          most={180}
          unit="°"
          onChange={(longitude) => setAt({ ...at, longitude })}
        />
      </div>
    </Asked>
  );
}

/** Calendars by the names of the Unicode registry, and the language that each is told in by itself. */
const CALENDARS: { value: string; text: string; language: string }[] = [
  { value: "hebrew", text: "Hebrew", language: "he" },
  { value: "islamic-umalqura", text: "Islamic, Umm al-Qura", language: "ar" },
  { value: "islamic-civil", text: "Islamic, civil", language: "ar" },
  { value: "persian", text: "Persian", language: "fa" },
  { value: "chinese", text: "Chinese", language: "zh" },
  { value: "dangi", text: "Korean (Dangi)", language: "ko" },
  { value: "indian", text: "Indian national", language: "en" },
  { value: "coptic", text: "Coptic", language: "en" },
  { value: "ethiopic", text: "Ethiopic", language: "en" },
  { value: "buddhist", text: "Buddhist", language: "en" },
  { value: "japanese", text: "Japanese", language: "ja" },
];

function AddDates({ count, busy, bring }: Props) {
  const [calendar, setCalendar] = useState("hebrew");
  const [inOwn, setInOwn] = useState(false);
  const chosen = CALENDARS.find(({ value }) => value === calendar)!;
  return (
    <Asked
      title="Another calendar"
      put="Put its dates beside the days"
      busy={busy}
      onPut={() =>
        void bring((job) =>
          withDays(
            job,
            freshSource(
              chosen.text,
              {
                kind: "dates",
                calendar,
                language: inOwn ? chosen.language : (job.calendar?.languages[0]?.tag ?? LOCALE),
              },
              count,
              SKY,
            ),
          ),
        )
      }
    >
      <SelectField label="Calendar" value={calendar} choices={CALENDARS} onChange={setCalendar} />
      <Check label="in its own letters" checked={inOwn} onChange={setInOwn} />
    </Asked>
  );
}
