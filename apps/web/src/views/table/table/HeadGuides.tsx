import {
  crownFor,
  numberedShot,
  turnedSize,
  type CellPlan,
  type FaceOnPiece,
  type PersonReport,
} from "@wide-quilt/core";
import { useAppSelector } from "../../../app/hooks.ts";
import { selectHeads, selectPeople } from "../../../table/heads.ts";

/** Lines of the rule over the chosen portrait: crown, eyes and chin as they are, and the bands where they may be. */
export function HeadGuides({ cell, px }: { cell: CellPlan; px(um: number): number }) {
  const report = useAppSelector(selectPeople).find(({ person }) => numberedShot(person.shot) === cell.shot);
  const photo = report?.photo ?? "";
  const face = useAppSelector((state) => selectHeads(state, photo))[0];
  if (!report?.measured || !face) return null;
  const { finished, turn, angle } = cell;
  const { width, height } = turnedSize(finished, turn);
  const { at } = report.measured;
  const lines = [at(crownFor(face, report.rule)).y, at(face.leftEye).y, at(face.chin).y];
  const middle = [px(finished.x + finished.width / 2), px(finished.y + finished.height / 2)];
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full overflow-visible">
      <g
        transform={`translate(${middle.join(" ")}) rotate(${turn + angle}) translate(${-px(width) / 2} ${-px(height) / 2})`}
      >
        {bandsOf(report, report.measured, height, lines[2]!).map(({ from, to, passes }, i) => (
          <rect
            key={i}
            x={0}
            y={px(from)}
            width={px(width)}
            height={px(to - from)}
            fill={passes ? "#1f6f54" : "#a8322a"}
            fillOpacity={0.16}
          />
        ))}
        {lines.map((y, i) => (
          <line
            key={i}
            x1={0}
            x2={px(width)}
            y1={px(y)}
            y2={px(y)}
            stroke="#34409c"
            strokeOpacity={0.85}
            strokeDasharray="4 3"
          />
        ))}
      </g>
    </svg>
  );
}

/** Where crown and eyes may be, from the upper edge of the piece, and whether they are. */
function bandsOf({ rule }: PersonReport, { figures }: FaceOnPiece, height: number, chin: number) {
  const passes = (name: string) => figures.find((figure) => figure.name === name)?.passes ?? true;
  const band = (from: number, to: number, name: string) => ({
    from: Math.max(0, from),
    to: Math.min(height, to),
    passes: passes(name),
  });
  return [
    ...(rule.headHeight ? [band(chin - rule.headHeight.to, chin - rule.headHeight.from, "headHeight")] : []),
    ...(rule.eyeLine ? [band(height - rule.eyeLine.to, height - rule.eyeLine.from, "eyeLine")] : []),
  ].filter(({ from, to }) => to > from);
}
