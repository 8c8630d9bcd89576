import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { Refused } from "./refused.ts";

const LOCK = "lock.sqlite";
const RUNNING = "running.json";

/** What a lock's folder may have beside it before anything else is there. */
export const LOCK_FILES: ReadonlySet<string> = new Set([LOCK, `${LOCK}-journal`, RUNNING]);

/** Held while a server works over a folder. */
export interface Lock {
  /**
   * Says where the server answers, and with which certificate (PEM), for whoever asks by the folder: the shell, and the next
   * one that is started over it.
   */
  tell(address: string, certificate: string | null): void;
  release(): void;
}

/**
 * Takes the lock of a folder. It is an exclusive transaction on a small database, so that whatever ends this process
 * ends the lock. Throws `AlreadyRunning`.
 */
export function lock(home: string): Lock {
  const held = new Database(join(home, LOCK), { timeout: 0 });
  try {
    held.exec("BEGIN EXCLUSIVE");
  } catch (error) {
    held.close();
    if ((error as { code?: string }).code === "SQLITE_BUSY") throw new AlreadyRunning(addressIn(home));
    throw error;
  }
  const note = join(home, RUNNING);
  return {
    tell: (address, certificate) =>
      writeFileSync(note, JSON.stringify({ address, certificate, pid: process.pid }), { mode: 0o600 }),
    release: () => {
      rmSync(note, { force: true });
      held.close();
    },
  };
}

/** Another server works over this folder. */
export class AlreadyRunning extends Refused {
  constructor(readonly address: string | null) {
    super(
      address === null
        ? "Wide Quilt is already starting over this folder, in another window."
        : `Wide Quilt is already running at ${address}`,
    );
  }
}

/** Throws `AlreadyRunning` where a server works over a folder; touches nothing where none does. */
export function expectNotRunning(home: string): void {
  if (existsSync(join(home, LOCK))) lock(home).release();
}

function addressIn(home: string): string | null {
  try {
    const { address } = JSON.parse(readFileSync(join(home, RUNNING), "utf8")) as { address: unknown };
    return typeof address === "string" ? address : null;
  } catch {
    return null;
  }
}
