import type { PhotoId } from "@wide-quilt/core";
import { address } from "../api/client.ts";
import { useAppSelector } from "../app/hooks.ts";
import { SelectField } from "../ui/SelectField.tsx";

interface Props {
  photo: PhotoId | undefined;
  set(photo: PhotoId | undefined): void;
}

/** A small photo in a day, one of those of the job. */
export function DayPhoto({ photo, set }: Props) {
  const stash = useAppSelector((state) => state.openJob.job?.stash) ?? [];
  if (stash.length === 0) return null;
  return (
    <span className="flex min-w-0 items-center gap-2">
      {photo !== undefined && (
        <img src={address.preview(photo, 320)} alt="" className="size-8 shrink-0 rounded object-cover" />
      )}
      <SelectField
        label="Small photo in the day"
        value={photo ?? ""}
        choices={[{ value: "", text: "none" }, ...stash.map(({ id, name }) => ({ value: id, text: name }))]}
        onChange={(chosen) => set(chosen === "" ? undefined : chosen)}
      />
    </span>
  );
}
