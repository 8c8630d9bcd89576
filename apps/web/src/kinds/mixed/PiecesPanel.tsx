import {
  heightOf,
  LIMITS,
  mm,
  PACKAGES,
  PRINT_SIZES,
  type MixedPiece,
  type PrintPackage,
  type Size,
} from "@wide-quilt/core";
import { Images, Plus, X } from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { preferred } from "../../app/preferences.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { NameAsk } from "../../ui/NameAsk.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { button } from "../../ui/button.ts";
import { panelOf, type KindPanelProps } from "../panel.tsx";

/** The list of sizes: how many of each, of which photo, whether they may be turned. */
export const PiecesPanel = panelOf("mixed", (props) => {
  const { job, ticket, set } = props;
  const { pieces } = ticket;
  const put = (index: number, change: Partial<MixedPiece>, gesture?: string) =>
    set({ pieces: pieces.map((line, i) => (i === index ? { ...line, ...change } : line)) }, gesture);
  return (
    <div className="flex flex-col gap-3">
      {pieces.length === 0 ? (
        <p className="text-[13px] text-ink-2">
          Nothing is asked for yet. Add a size, a set, or a line for each photo.
        </p>
      ) : (
        <ul aria-label="Sizes" className="flex max-h-[300px] flex-col gap-2 overflow-y-auto pr-1">
          {pieces.map((line, index) => (
            <Line
              key={line.shot}
              {...props}
              line={line}
              onChange={(change, gesture) => put(index, change, gesture)}
              onRemove={() => set({ pieces: pieces.filter((_, i) => i !== index) })}
            />
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-center gap-2 border-t border-line pt-3">
        <AddSize {...props} />
        <button
          type="button"
          className={button.plain}
          disabled={job.stash.length === 0 || job.stash.length > LIMITS.lines}
          onClick={() => set({ pieces: oneForEach(props) })}
        >
          <Images size={14} aria-hidden /> A line for each photo
        </button>
      </div>
      <Packages {...props} />
    </div>
  );
});

type Props = KindPanelProps<"mixed">;

const nextShot = (pieces: readonly MixedPiece[]): number =>
  Math.max(0, ...pieces.map(({ shot }) => shot)) + 1;

/** Every photo of the job once, all equally wide, each with own proportion. */
function oneForEach({ job, ticket }: Props): MixedPiece[] {
  const width = ticket.pieces[0]?.width ?? mm(100);
  return job.stash.map(({ id }, i) => ({
    shot: i + 1,
    width,
    height: null,
    quantity: 1,
    mayTurn: true,
    photo: id,
    order: 1,
  }));
}

interface LineProps extends Props {
  line: MixedPiece;
  onChange(change: Partial<MixedPiece>, gesture?: string): void;
  onRemove(): void;
}

function Line({ job, words, line, onChange, onRemove }: LineProps) {
  const photos = useAppSelector((state) => state.openJob.photos);
  const { width, height, quantity, mayTurn, photo, shot } = line;
  return (
    <li className="grid grid-cols-[64px_1fr_1fr_26px] items-end gap-2 rounded-lg bg-chrome p-2">
      <NumberField
        label="How many"
        value={quantity}
        least={LIMITS.quantity.least}
        most={LIMITS.quantity.most}
        whole
        onChange={(next, gesture) => onChange({ quantity: next }, gesture)}
      />
      <LengthField
        label="Width"
        value={width}
        range={LIMITS.piece}
        words={words}
        onChange={(next, g) => onChange({ width: next }, g)}
        onPair={onChange}
      />
      {height === null ? (
        <div className="text-[12.5px]">
          <span className="mb-1 block text-ink-2">Height</span>
          <span className="measure block py-1.5">{words.measure(heightOf(line, job, photos))}, its own</span>
        </div>
      ) : (
        <LengthField
          label="Height"
          value={height}
          range={LIMITS.piece}
          words={words}
          onChange={(next, g) => onChange({ height: next }, g)}
          onPair={onChange}
        />
      )}
      <button
        type="button"
        aria-label={`Remove line ${shot}`}
        className="mb-1.5 rounded p-1 text-ink-3 hover:text-wrong"
        onClick={onRemove}
      >
        <X size={15} aria-hidden />
      </button>
      <div className="col-span-4 flex flex-wrap items-center gap-x-4 gap-y-1.5 text-[12.5px] text-ink-2">
        <label className="flex min-w-0 grow items-center gap-1.5">
          Photo
          <select
            className="min-w-0 grow rounded-md border border-edge bg-white px-1.5 py-1"
            value={photo ?? ""}
            onChange={({ target }) => onChange({ photo: target.value || null })}
          >
            <option value="">
              {line.order === 1 ? "the first of the job" : `photo ${line.order} of the job`}
            </option>
            {job.stash.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={height === null}
            onChange={({ target }) =>
              onChange({ height: target.checked ? null : heightOf(line, job, photos) })
            }
          />
          own proportion
        </label>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={mayTurn}
            onChange={({ target }) => onChange({ mayTurn: target.checked })}
          />
          may turn
        </label>
      </div>
    </li>
  );
}

function AddSize({ ticket: { pieces }, set, words }: Props) {
  const own = useAppSelector((state) => state.preferences.sizes);
  const add = ({ width, height }: Size) =>
    set({
      pieces: [
        ...pieces,
        { shot: nextShot(pieces), width, height, quantity: 1, mayTurn: true, photo: null, order: 1 },
      ],
    });
  const sizes: (Size & { name: string })[] = [
    ...own.map((size) => ({ ...size, name: words.size(size) })),
    ...PRINT_SIZES,
  ];
  return (
    <label className="flex items-center gap-1.5 text-[13px] text-ink-2">
      <Plus size={15} aria-hidden /> Add
      <select
        className="w-40 rounded-md border border-edge bg-white px-2 py-1.5"
        value=""
        disabled={pieces.length >= LIMITS.lines}
        onChange={({ target }) => add(sizes[Number(target.value)]!)}
      >
        <option value="">a size …</option>
        {sizes.map(({ name }, i) => (
          <option key={i} value={i}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Sets that are sold by a name: those that come with it, and own ones. */
function Packages({ ticket: { pieces }, set }: Props) {
  const own = useAppSelector((state) => state.preferences.packages);
  const dispatch = useAppDispatch();
  const all: PrintPackage[] = [...own, ...PACKAGES];
  const take = ({ pieces: wanted }: PrintPackage) =>
    set({ pieces: wanted.map((one, i) => ({ ...one, shot: i + 1, mayTurn: true, photo: null, order: 1 })) });
  const keep = (name: string) => {
    const kept = pieces.flatMap(({ width, height, quantity }) =>
      height === null ? [] : [{ width, height, quantity }],
    );
    dispatch(preferred({ packages: [{ name, pieces: kept }, ...own.filter((one) => one.name !== name)] }));
  };
  return (
    <div className="flex flex-wrap items-center gap-2 text-[13px] text-ink-2">
      <label className="flex min-w-0 grow items-center gap-1.5">
        Or a set
        <select
          className="min-w-0 grow rounded-md border border-edge bg-white px-2 py-1.5"
          value=""
          onChange={({ target }) => take(all[Number(target.value)]!)}
        >
          <option value="">that fills a sheet …</option>
          {all.map(({ name }, i) => (
            <option key={i} value={i}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <NameAsk label="Keep this set" placeholder="Name of the set" onName={keep} />
    </div>
  );
}
