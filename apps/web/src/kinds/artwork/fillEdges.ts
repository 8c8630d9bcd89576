import { bring, lackingWhole, type Job, type MadeFor } from "@wide-quilt/core";
import { server } from "../../api/client.ts";

/**
 * What a pattern is to be made for, its artwork seen whole: with the outermost pixels repeated as far as the page would stay
 * bare. Everything else is left as it is. Throws a Problem where the artwork cannot be had.
 */
export async function withFilledEdges(job: Job, madeFor: MadeFor): Promise<MadeFor> {
  const bare = { ...madeFor, widened: null };
  const art = "art" in job.ticket ? job.ticket.art : null;
  const more = art && madeFor.fit === "whole" ? lackingWhole(art, bring(job, bare).page) : null;
  if (!art || !more) return bare;
  const { id } = await server.widenGraphic(art.file, art.name, more);
  return { ...bare, widened: { of: art.file, file: id, ...more } };
}
