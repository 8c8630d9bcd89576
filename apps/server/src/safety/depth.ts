import type { IncomingMessage, ServerResponse } from "node:http";
import { Problem } from "./problem.ts";

/** How deep what is sent may be nested. A job is six deep. */
const DEEPEST = 40;

const [QUOTE, ESCAPE] = [0x22, 0x5c];
const OPENS: ReadonlySet<number> = new Set([0x5b, 0x7b]);
const CLOSES: ReadonlySet<number> = new Set([0x5d, 0x7d]);

/** Refuses JSON that is nested so deep that whoever walks through it would run out of stack. */
export function notDeep(_request: IncomingMessage, _response: ServerResponse, body: Buffer): void {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < body.length; i++) {
    const byte = body[i]!;
    if (inText) {
      if (byte === ESCAPE) i++;
      else if (byte === QUOTE) inText = false;
    } else if (byte === QUOTE) inText = true;
    else if (OPENS.has(byte) && ++depth > DEEPEST) {
      // Wrapped: whoever reads bodies marks the errors that it passes on with a status of its own.
      throw new Error("too deep", { cause: tooDeep() });
    } else if (CLOSES.has(byte)) depth--;
  }
}

const tooDeep = () =>
  new Problem(
    400,
    "too-deep",
    "Not understood",
    `What was sent is nested more than ${DEEPEST} deep, and nothing that is read here is.`,
  );
