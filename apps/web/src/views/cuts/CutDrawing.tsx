import type { CellPlan, CutStep, SheetPlan } from "@wide-quilt/core";

interface Props {
  sheet: SheetPlan;
  steps: readonly CutStep[];
  /** Keys of cells that no straight cut frees. */
  inTheWay: readonly string[];
}

/** A sheet with its pieces and the numbered cuts. Cuts of one pass have one number. */
export function CutDrawing({ sheet, steps, inTheWay }: Props) {
  const { paper, number } = sheet;
  const unit = Math.max(paper.width, paper.height) / 100;
  return (
    <svg
      viewBox={`${-2 * unit} ${-2 * unit} ${paper.width + 4 * unit} ${paper.height + 4 * unit}`}
      className="max-h-[70vh] w-full"
      role="img"
      aria-label={`Sheet ${number} with its cuts numbered`}
    >
      <rect width={paper.width} height={paper.height} fill="#fff" stroke="#868c98" strokeWidth={unit / 8} />
      {piecesOf(sheet).map((cell) => {
        const { x, y, width, height } = cell.finished;
        const wrong = inTheWay.includes(cell.key);
        return (
          <g key={cell.key} transform={`rotate(${cell.angle} ${x + width / 2} ${y + height / 2})`}>
            <rect
              x={x}
              y={y}
              width={width}
              height={height}
              fill={wrong ? "#f9e4e1" : "#e6e8f7"}
              stroke={wrong ? "#a8322a" : "#b9c0e4"}
              strokeWidth={unit / 5}
            />
            <text
              x={x + width / 2}
              y={y + height / 2}
              fontSize={unit * 2.4}
              textAnchor="middle"
              dominantBaseline="central"
              fill={wrong ? "#a8322a" : "#646b77"}
            >
              {cell.number}
            </text>
          </g>
        );
      })}
      {steps.flatMap((step) =>
        step.lines.map(({ x1, y1, x2, y2 }, i) => (
          <line
            key={`${step.number} ${i}`}
            x1={x1}
            y1={y1}
            x2={x2}
            y2={y2}
            stroke="#34409c"
            strokeWidth={unit / 4}
            strokeDasharray={`${unit} ${unit / 2}`}
          />
        )),
      )}
      {steps.map((step) => (
        <CutNumber key={step.number} step={step} unit={unit} />
      ))}
    </svg>
  );
}

/** The number of a pass on its first cut: a third along it, further for each pass so that numbers keep apart. */
function CutNumber({ step: { number, lines }, unit }: { step: CutStep; unit: number }) {
  const { x1, y1, x2, y2 } = lines[0]!;
  const share = 0.12 + ((number * 0.17) % 0.76);
  const x = x1 + (x2 - x1) * share;
  const y = y1 + (y2 - y1) * share;
  return (
    <g>
      <circle cx={x} cy={y} r={unit * 1.7} fill="#34409c" />
      <text
        x={x}
        y={y}
        fontSize={unit * 2.1}
        fontWeight={600}
        textAnchor="middle"
        dominantBaseline="central"
        fill="#fff"
      >
        {number}
      </text>
    </g>
  );
}

/** What is cut out: cells, or the pages of a sheet that holds several. */
const piecesOf = ({ cells, freed }: SheetPlan): Pick<CellPlan, "key" | "number" | "finished" | "angle">[] =>
  freed?.map((finished, i) => ({ key: `page ${i + 1}`, number: i + 1, finished, angle: 0 })) ?? [...cells];
