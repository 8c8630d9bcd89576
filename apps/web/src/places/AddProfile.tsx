import type { ProfileView } from "@wide-quilt/server/contract";
import { Plus } from "lucide-react";
import { server } from "../api/client.ts";
import { useAppDispatch } from "../app/hooks.ts";
import { FileButton } from "../ui/FileButton.tsx";
import { atPlaces } from "./places.ts";

interface Props {
  label: string;
  className: string;
  onAdded?(profile: ProfileView): void;
}

/** Adds an ICC profile from a file. */
export function AddProfile({ label, className, onAdded }: Props) {
  const dispatch = useAppDispatch();
  const add = async ([file]: File[]) => {
    const added = await dispatch(atPlaces(() => server.addProfile(file!)));
    if (added) onAdded?.(added);
  };
  return (
    <FileButton
      label="ICC profile"
      accept=".icc,.icm,application/vnd.iccprofile"
      className={className}
      onFiles={(files) => void add(files)}
    >
      <Plus size={15} aria-hidden /> {label}
    </FileButton>
  );
}
