import { newId } from "./ids.ts";

const STORED = "wide-quilt-window";
const CHANNEL = "wide-quilt-windows";
/** Milliseconds that other windows of this browser have to answer. */
const PATIENCE = 100;

type Said = { asks: string; from: number } | { is: string; to: number };

/** Whether the name was there before this page: after a reload, and in a tab that was duplicated. */
let isFromBefore = false;
/** The name of this window: steps belong to the window that made them, also after a reload. */
let own = stored();
/** Tells this page from others that may have the same name. */
const page = Math.random();
const channel = "BroadcastChannel" in globalThis ? new BroadcastChannel(CHANNEL) : null;

function stored(): string {
  try {
    const before = sessionStorage.getItem(STORED);
    isFromBefore = before !== null;
    return before ?? named();
  } catch {
    return newId();
  }
}

function named(): string {
  const name = newId();
  sessionStorage.setItem(STORED, name);
  return name;
}

// Outside a browser nothing has to be kept going for it.
(channel as { unref?(): void } | null)?.unref?.();
channel?.addEventListener("message", ({ data }: MessageEvent<Said>) => {
  if ("asks" in data && data.asks === own && data.from !== page)
    channel.postMessage({ is: own, to: data.from } satisfies Said);
});

/** Whether a window of this browser of a name is open, this one not counted. */
function isOpen(name: string): Promise<boolean> {
  if (!channel) return Promise.resolve(false);
  return new Promise((resolve) => {
    const done = (found: boolean) => {
      channel.removeEventListener("message", hear);
      resolve(found);
    };
    const hear = ({ data }: MessageEvent<Said>) => {
      if ("is" in data && data.is === name && data.to === page) done(true);
    };
    channel.addEventListener("message", hear);
    channel.postMessage({ asks: name, from: page } satisfies Said);
    setTimeout(() => done(false), PATIENCE);
  });
}

/** A tab that was duplicated has the name of the other; the copy takes a new one. */
const settling: Promise<void> = isFromBefore
  ? isOpen(own).then((found) => {
      if (found) own = named();
    })
  : Promise.resolve();

export const thisWindow = {
  /** Its name; to be asked once `settled` is kept. */
  get name(): string {
    return own;
  },
  settled: settling,
  isOpen,
};
