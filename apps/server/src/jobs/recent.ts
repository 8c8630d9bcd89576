import { joinedPatch, type Patch } from "@wide-quilt/core";

/** Changes of a job that are remembered, and jobs that they are remembered of. */
const MOST = 200;
const JOBS = 64;

/** The last changes of jobs, by version, so that whoever has an older version is told the difference alone. */
export class RecentChanges {
  private readonly of = new Map<string, { patches: Patch[]; version: number }>();

  /** Remembers what led to a version. */
  add(job: string, version: number, patch: Patch): void {
    const known = this.of.get(job);
    const patches = known?.version === version - 1 ? [...known.patches, patch].slice(-MOST) : [patch];
    this.of.delete(job);
    this.of.set(job, { patches, version });
    for (const old of this.of.keys()) {
      if (this.of.size <= JOBS) break;
      this.of.delete(old);
    }
  }

  /** What leads from one version to another; null where that is not known any more. */
  between(job: string, from: number, to: number): Patch | null {
    if (from === to) return [];
    const known = this.of.get(job);
    const back = to - from;
    if (!known || known.version !== to || back < 0 || back > known.patches.length) return null;
    return known.patches.slice(-back).reduce<Patch>((all, patch) => joinedPatch(all, patch), []);
  }

  forget(job: string): void {
    this.of.delete(job);
  }
}
