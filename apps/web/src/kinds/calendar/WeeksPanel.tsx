import { calendarOf, designOf, languageOf, weeksOf, type Calendar, type Weekday } from "@wide-quilt/core";
import { DAY_NAMES } from "../../calendar/today.ts";
import { LOCALE } from "../../app/preferences.ts";
import { Check } from "../../ui/Check.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { panelOf } from "../panel.tsx";

/** Languages that are offered: those whose letters ship, and the reader’s own. */
const TAGS = [
  ...new Set([
    LOCALE,
    ..."en-GB en-US de-DE de-AT de-CH fr-FR fr-CH it-IT es-ES ca-ES pt-PT pt-BR nl-NL nl-BE da-DK sv-SE nb-NO fi-FI is-IS et-EE lv-LV lt-LT pl-PL cs-CZ sk-SK hu-HU ro-RO sl-SI hr-HR sr-Latn-RS bg-BG el-GR uk-UA ru-RU tr-TR cy-GB ga-IE eu-ES ar-EG ar-SA fa-IR he-IL ja-JP zh-Hans-CN".split(
      " ",
    ),
  ]),
];

const NAMES = new Intl.DisplayNames(["en"], { type: "language" });
const LANGUAGES = TAGS.map((value) => ({ value, text: NAMES.of(value) ?? value })).sort((a, b) =>
  a.text.localeCompare(b.text),
);

const LEAST: { value: string; text: string }[] = [
  { value: "4", text: "Week 1 has 4 January (ISO 8601)" },
  { value: "1", text: "Week 1 has 1 January" },
  { value: "7", text: "Week 1 is the first whole one" },
];

/** How weeks are counted, and the language that days and months are named in. */
export const WeeksPanel = panelOf("calendar", ({ job, ticket, set, change }) => {
  const calendar = calendarOf(job);
  const { week, languages } = calendar;
  const put = (next: Partial<Calendar>) => change({ do: "calendar", calendar: { ...calendar, ...next } });
  const [own, second] = languages;
  const known = (tag: string) => [
    ...(TAGS.includes(tag) ? [] : [{ value: tag, text: NAMES.of(tag) ?? tag }]),
    ...LANGUAGES,
  ];
  return (
    <div className="flex flex-col gap-3">
      <SelectField
        label="Days and months are named in"
        value={own!.tag}
        choices={known(own!.tag)}
        onChange={(tag) =>
          put({ languages: [languageOf(tag), ...(second ? [second] : [])], week: weeksOf(tag) })
        }
      />
      <SelectField
        label="And beside that in"
        value={second?.tag ?? ""}
        choices={[{ value: "", text: "no second language" }, ...known(second?.tag ?? TAGS[0]!)]}
        onChange={(tag) => put({ languages: [own!, ...(tag === "" ? [] : [languageOf(tag)])] })}
      />
      <SelectField
        label="Weeks begin on"
        value={String(week.first)}
        choices={DAY_NAMES.map((text, i) => ({ value: String(i + 1), text }))}
        onChange={(first) => put({ week: { ...week, first: Number(first) as Weekday } })}
      />
      <SelectField
        label="They are counted so that"
        value={String(week.least)}
        choices={LEAST}
        onChange={(least) => put({ week: { ...week, least: Number(least) as 1 | 4 | 7 } })}
      />
      <Check
        label="with their numbers"
        checked={designOf(ticket).weekNumbers}
        onChange={(weekNumbers) => set({ own: { ...ticket.own, weekNumbers } })}
      />
      <fieldset className="flex flex-col gap-1.5">
        <legend className="pb-1 text-[12.5px] text-ink-2">Days of the weekend</legend>
        <div className="grid grid-cols-2 gap-1.5">
          {DAY_NAMES.map((name, i) => {
            const day = (i + 1) as Weekday;
            const without = week.weekend.filter((one) => one !== day);
            return (
              <Check
                key={name}
                label={name}
                checked={week.weekend.includes(day)}
                onChange={(on) =>
                  put({ week: { ...week, weekend: on ? [...without, day].slice(-3).sort() : without } })
                }
              />
            );
          })}
        </div>
      </fieldset>
    </div>
  );
});
