import type { EventSetup } from "@wide-quilt/core";
import { lazy, Suspense } from "react";
import { Link } from "react-router";
import { address } from "../../api/client.ts";
import { Check } from "../../ui/Check.tsx";
import { TextField } from "../../ui/TextField.tsx";
import { isOnlyHere } from "./useSetLink.ts";

const GuestsCode = lazy(() => import("./GuestsCode.tsx"));

interface Props {
  setup: EventSetup;
  hasPin: boolean;
  /** The end of the guests’ address. */
  token: string;
  onChange(change: Partial<EventSetup>, pin?: string): void;
}

/** The address for telephones, as a code and in letters. */
function ForTelephones({ token }: { token: string }) {
  const page = address.guestPage(token);
  return (
    <div className="flex gap-3 rounded-lg bg-chrome p-2.5">
      <Suspense fallback={null}>
        <GuestsCode address={page} className="size-28 shrink-0 rounded bg-white" />
      </Suspense>
      <p className="min-w-0 text-[12.5px] text-ink-2">
        <a href={page} target="_blank" rel="noreferrer" className="break-all text-accent underline">
          {page}
        </a>
        {isOnlyHere() && (
          <span className="mt-1.5 block text-look">
            Only this computer reaches this address.{" "}
            <Link to="/network" className="underline">
              How telephones come here
            </Link>
          </span>
        )}
      </p>
    </div>
  );
}

/** Where the photos of an event come from, and what keeps guests on their page. */
export function Sources({ setup, hasPin, token, onChange }: Props) {
  return (
    <div className="flex flex-col gap-2.5">
      <Check
        label="The camera of the guests’ page"
        checked={setup.camera}
        onChange={(camera) => onChange({ camera })}
      />
      <Check
        label="A folder that a camera writes to"
        checked={setup.folder !== null}
        onChange={(on) => onChange({ folder: on ? "" : null })}
      />
      {setup.folder !== null && (
        <TextField
          label="The folder, on the computer that Wide Quilt runs on"
          value={setup.folder}
          placeholder="/home/me/Pictures"
          most={1000}
          onChange={(folder) => onChange({ folder })}
        />
      )}
      <Check
        label="Telephones of guests"
        checked={setup.telephones}
        onChange={(telephones) => onChange({ telephones })}
      />
      {setup.telephones && <ForTelephones token={token} />}
      <div className="border-t border-line pt-2.5">
        <TextField
          label={hasPin ? "Another PIN to leave the guests’ page" : "A PIN to leave the guests’ page"}
          value=""
          placeholder={hasPin ? "one is set" : "4 to 8 digits"}
          most={8}
          onChange={(pin) => onChange({}, pin)}
        />
      </div>
    </div>
  );
}
