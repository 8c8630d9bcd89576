import type { ProblemBody } from "@wide-quilt/server/contract";

/** What the server said when it could not do what was asked. */
export class ServerProblem extends Error {
  constructor(readonly body: ProblemBody) {
    super(body.detail);
  }
}

/** The server did not answer: it was stopped, or the way to it is cut. */
export class NoAnswer extends Error {
  constructor() {
    super("Wide Quilt’s server does not answer. What was saved is kept; start it again with npm start.");
  }
}

/** A chosen file is not what it was taken for; its message is a sentence for the person who chose it. */
export class NotReadable extends Error {}

/** The sentence to show for whatever was thrown. */
export const sentenceOf = (error: unknown): string =>
  error instanceof ServerProblem || error instanceof NoAnswer || error instanceof NotReadable
    ? error.message
    : "Something went wrong here. What was saved is kept; load the page again.";
