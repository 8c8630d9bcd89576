import { Bar, BarChart, CartesianGrid, Tooltip, XAxis, YAxis } from "recharts";
import type { Words } from "../../../words/words.ts";

interface Props {
  papers: readonly { name: string; value: number }[];
  /** What is compared, as the bars are called. */
  measure: string;
  unit?: string;
  words: Words;
  width: number;
  height: number;
}

/** Papers beside each other, by one measure; the same figures stand in a table below. */
export function PaperBars({ papers, measure, unit = "", words, width, height }: Props) {
  return (
    <div aria-hidden>
      <BarChart
        width={width}
        height={height}
        data={[...papers]}
        margin={{ left: 0, right: 8, top: 8, bottom: 4 }}
      >
        <CartesianGrid vertical={false} stroke="#d4d6da" />
        <XAxis
          dataKey="name"
          tick={{ fontSize: 11, fill: "#4a515d" }}
          interval={0}
          angle={-24}
          textAnchor="end"
          height={52}
        />
        <YAxis tick={{ fontSize: 11, fill: "#4a515d" }} width={44} unit={unit} />
        <Tooltip formatter={(value) => words.number(Number(value), 0, 2)} />
        <Bar dataKey="value" name={measure} fill="#34409c" isAnimationActive={false} radius={[3, 3, 0, 0]} />
      </BarChart>
    </div>
  );
}
