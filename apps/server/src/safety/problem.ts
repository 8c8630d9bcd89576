/**
 * Something that went wrong, as callers are told (RFC 9457, problem details): a stable type, a title of a few words,
 * and a sentence of what happened, what was kept and what to do.
 */
export class Problem extends Error {
  override name = "Problem";

  constructor(
    readonly status: number,
    /** Stable; the last part of the problem's type URI. */
    readonly type: string,
    readonly title: string,
    readonly detail: string,
    /** Further members, such as `field`. */
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail);
  }

  static notFound(what: string, detail: string): Problem {
    return new Problem(404, `no-such-${what}`, "Not found", detail);
  }

  body(): Record<string, unknown> {
    return {
      type: `/problems/${this.type}`,
      title: this.title,
      status: this.status,
      detail: this.detail,
      ...this.more,
    };
  }
}
