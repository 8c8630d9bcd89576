/** Why the server does not start, as one sentence for whoever starts it; nothing was touched. */
export class Refused extends Error {
  override name = "Refused";
}

/** What the system says of a path that cannot be used, in a sentence; anything unforeseen is thrown on. */
export function refusedPath(path: string, error: unknown): never {
  const why = WHY[(error as NodeJS.ErrnoException).code ?? ""];
  if (why === undefined) throw error;
  throw new Refused(`${path} ${why} Choose another folder with --data DIR.`);
}

const WHY: Record<string, string> = {
  EACCES: "may not be read and written by you.",
  EPERM: "may not be read and written by you.",
  EROFS: "lies on a disk that nothing can be written to.",
  ENOTDIR: "lies inside a file, not a folder.",
  EEXIST: "is a file, not a folder.",
  ENOSPC: "lies on a disk that is full.",
  ENAMETOOLONG: "has a name that is too long.",
  ELOOP: "is a link that leads back to itself.",
};
