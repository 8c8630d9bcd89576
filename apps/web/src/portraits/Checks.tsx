import type { PersonCheck, PersonReport, PhotoRecord } from "@wide-quilt/core";
import { Check } from "lucide-react";
import { address } from "../api/client.ts";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { selectHeads, setHeads } from "../table/heads.ts";
import { SIGNS } from "./signs.ts";

const ORDER: PersonCheck["state"][] = ["wrong", "look", "not measured"];

/** What a document photo was looked at for: what is not right first, with what to do; then all that is right. */
export function Checks({ report, record }: { report: PersonReport; record: PhotoRecord }) {
  const right = report.checks.filter(({ state }) => state === "right");
  const open = ORDER.flatMap((wanted) => report.checks.filter(({ state }) => state === wanted));
  return (
    <div className="text-[12.5px]">
      {open.length > 0 && (
        <ul className="flex flex-col gap-2">
          {open.map((check) => (
            <OpenCheck key={check.name} check={check} report={report} record={record} />
          ))}
        </ul>
      )}
      {right.length > 0 && (
        <details className={open.length > 0 ? "mt-2" : ""} open={open.length === 0}>
          <summary className="rounded font-semibold text-good">
            {open.length === 0 ? "Passes in all of this" : `${right.length} right`}
          </summary>
          <ul className="mt-1 flex flex-col gap-0.5">
            {right.map(({ name, title, says, allowed }) => (
              <li key={name} className="grid grid-cols-[auto_1fr] gap-x-1.5" title={allowed}>
                <Check size={13} aria-hidden className="mt-[3px] text-good" />
                <span>
                  {title} <span className="text-[11.5px] text-ink-2">{says}</span>
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** Something that is wrong, or that a person has to look at: enlarged, and confirmed where it is right after all. */
function OpenCheck({
  check: { name, title, state, says, allowed, todo, at },
  report,
  record,
}: {
  check: PersonCheck;
  report: PersonReport;
  record: PhotoRecord;
}) {
  const dispatch = useAppDispatch();
  const photo = report.photo!;
  const heads = useAppSelector((store) => selectHeads(store, photo));
  const { sign: Sign, look, word } = SIGNS[state];
  const face = heads[0];
  const confirm = () => {
    if (!face) return;
    const looked = [...new Set([...(face.looked ?? []), name])];
    void dispatch(setHeads(photo, heads.with(0, { ...face, looked })));
  };
  return (
    <li className="grid grid-cols-[auto_1fr] gap-x-1.5">
      <Sign size={14} aria-hidden className={`mt-[3px] ${look}`} />
      <div>
        <p>
          <span className="font-semibold">{title}</span>{" "}
          <span className={`text-[11.5px] ${look}`}>{word}</span>
        </p>
        {says !== "" && (
          <p className="text-[11.5px] text-ink-2">
            {says}
            {allowed !== "" && `, allowed ${allowed}`}
          </p>
        )}
        {state === "look" && at && <Enlarged photo={photo} record={record} at={at} />}
        <p className="text-[12px]">{todo}</p>
        {(state === "look" || (state === "not measured" && face !== undefined && LOOKS.has(name))) && (
          <button type="button" className="mt-0.5 font-semibold text-accent underline" onClick={confirm}>
            I looked: it is right
          </button>
        )}
      </div>
    </li>
  );
}

/** What a person can see where nothing can be measured. */
const LOOKS: ReadonlySet<string> = new Set([
  "eyes",
  "mouth",
  "straight",
  "background",
  "even",
  "shadow",
  "headHeight",
]);

/** How many times a place is larger than in the whole photo, and the size it is shown in, in CSS pixels. */
const TIMES = 5;
const VIEW = { width: 168, height: 76 };

/** A place of the photo, large enough to judge. */
function Enlarged({
  photo,
  record,
  at,
}: {
  photo: string;
  record: PhotoRecord;
  at: { x: number; y: number };
}) {
  const width = VIEW.width * TIMES;
  const height = (width * record.height) / record.width;
  return (
    <div className="my-1 overflow-hidden rounded-md border border-line" style={VIEW}>
      <img
        src={address.previewFor(photo, 1600)}
        alt=""
        className="max-w-none"
        style={{
          width,
          height,
          marginLeft: VIEW.width / 2 - at.x * width,
          marginTop: VIEW.height / 2 - at.y * height,
        }}
      />
    </div>
  );
}
