import { um, type Job, type SheetPlan, type SnapLine } from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { selectJob } from "../../../table/sheets.ts";
import { useWords } from "../../../words/words.ts";

const NONE: Job["guides"] = { x: [], y: [] };

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** What helps to see and never prints: grid, finished sheet, bleed, safe zone, what may be lost, guides, caught lines. */
export function Aids({ sheet, px }: Props) {
  const grid = useAppSelector((state) => state.view.grid);
  const guides = useAppSelector((state) => selectJob(state)?.guides ?? NONE);
  const snapped = useAppSelector((state) => state.view.snapped);
  const [width, height] = [px(sheet.paper.width), px(sheet.paper.height)];
  return (
    <>
      <svg
        aria-hidden
        className="pointer-events-none absolute inset-0 overflow-visible"
        width={width}
        height={height}
      >
        {grid && <Grid mesh={px(grid)} width={width} height={height} />}
        <Zones sheet={sheet} px={px} />
        {guides.x.map((x, i) => (
          <line key={`x${i}`} x1={px(x)} x2={px(x)} y1={0} y2={height} stroke="#1f6f54" />
        ))}
        {guides.y.map((y, i) => (
          <line key={`y${i}`} y1={px(y)} y2={px(y)} x1={0} x2={width} stroke="#1f6f54" />
        ))}
        {snapped.map((line, i) => (
          <Caught key={i} line={line} px={px} />
        ))}
      </svg>
      {snapped.map((line, i) => line.gap && <GapFigure key={i} line={line} px={px} />)}
    </>
  );
}

function Grid({ mesh, width, height }: { mesh: number; width: number; height: number }) {
  if (mesh < 3) return null;
  const along = (length: number) =>
    Array.from({ length: Math.floor(length / mesh) }, (_, i) => (i + 1) * mesh);
  const d = [
    ...along(width).map((x) => `M${x} 0V${height}`),
    ...along(height).map((y) => `M0 ${y}H${width}`),
  ].join("");
  return <path d={d} stroke="#34409c" strokeOpacity={0.16} fill="none" />;
}

/** The finished sheet where it is smaller than its paper, its bleed, its safe zone, and what a printer may lose. */
function Zones({ sheet: { paper, trim, bleed, safe, mayLose }, px }: Props) {
  const rect = ({ x, y, width, height }: typeof trim) => ({
    x: px(x),
    y: px(y),
    width: px(width),
    height: px(height),
  });
  const trimmed = trim.width !== paper.width || trim.height !== paper.height;
  const bleeds = bleed.width !== trim.width || bleed.height !== trim.height;
  const [w, h] = [px(paper.width), px(paper.height)];
  const [l, t, r, b] = [px(mayLose.left), px(mayLose.top), px(mayLose.right), px(mayLose.bottom)];
  return (
    <g fill="none">
      {mayLose.left > 0 && (
        <path
          d={`M0 0H${w}V${h}H0ZM${l} ${t}V${h - b}H${w - r}V${t}Z`}
          fill="#a8322a"
          fillOpacity={0.07}
          fillRule="evenodd"
        />
      )}
      {bleeds && <rect {...rect(bleed)} stroke="#a8322a" strokeDasharray="5 4" />}
      {trimmed && <rect {...rect(trim)} stroke="#20242c" strokeWidth={1.2} />}
      {safe.width < trim.width && safe.width > 0 && (
        <rect {...rect(safe)} stroke="#1f6f54" strokeDasharray="2 4" />
      )}
    </g>
  );
}

function Caught({ line: { along, at, from, to, gap }, px }: { line: SnapLine; px(um: number): number }) {
  const d = along === "y" ? `M${px(at)} ${px(from)}V${px(to)}` : `M${px(from)} ${px(at)}H${px(to)}`;
  const middle = px((from + to) / 2);
  const across =
    gap &&
    (along === "y" ? `M${px(gap.from)} ${middle}H${px(gap.to)}` : `M${middle} ${px(gap.from)}V${px(gap.to)}`);
  return (
    <path
      d={`${d}${across ?? ""}`}
      stroke="#34409c"
      strokeWidth={1.2}
      strokeDasharray={gap ? undefined : "4 3"}
      fill="none"
    />
  );
}

function GapFigure({ line: { along, from, to, gap }, px }: { line: SnapLine; px(um: number): number }) {
  const words = useWords();
  const middle = px((from + to) / 2);
  const at = px((gap!.from + gap!.to) / 2);
  return (
    <span
      className="measure pointer-events-none absolute z-10 -translate-x-1/2 -translate-y-full rounded bg-accent px-1.5 text-[11px] text-white"
      style={along === "y" ? { left: at, top: middle - 3 } : { left: middle, top: at }}
    >
      {words.measure(um(gap!.to - gap!.from))}
    </span>
  );
}
