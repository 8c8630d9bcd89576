import type { ProfileView } from "@wide-quilt/server/contract";
import { Plus } from "lucide-react";
import { server } from "../api/client.ts";
import { useDoing } from "../app/useDoing.ts";
import { FileButton } from "../ui/FileButton.tsx";

interface Props {
  label: string;
  className: string;
  onAdded?(profile: ProfileView): void;
}

/** Adds an ICC profile from a file. */
export function AddProfile({ label, className, onAdded }: Props) {
  const doing = useDoing();
  const add = ([file]: File[]) =>
    doing(async () => onAdded?.(await server.addProfile(file!)), { changes: "profiles" });
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
