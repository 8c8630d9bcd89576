import type { SerializedError } from "@reduxjs/toolkit";
import { createApi, fakeBaseQuery } from "@reduxjs/toolkit/query/react";
import type { Printer } from "@wide-quilt/core";
import type {
  EventCard,
  JobSummary,
  KeptView,
  NetworkView,
  PatternView,
  ProfileView,
  StyleView,
  TakenSet,
} from "@wide-quilt/server/contract";
import { server } from "./client.ts";
import { sentenceOf } from "./problem.ts";

/** The lists that the server keeps; a change of one names it, and whoever looks at it has it anew. */
const LISTS = ["jobs", "patterns", "styles", "printers", "profiles", "kept", "events"] as const;
export type Listed = (typeof LISTS)[number];

type Answer<T> = { data: T } | { error: string };

/** A question whose failure is a sentence. */
const asking =
  <A, T>(question: (of: A) => Promise<T>) =>
  async (of: A): Promise<Answer<T>> => {
    try {
      return { data: await question(of) };
    } catch (error) {
      return { error: sentenceOf(error) };
    }
  };

/** What is read of the server in lists, or once. What is done there goes through `server`, and then names what it changed. */
export const queries = createApi({
  reducerPath: "queries",
  baseQuery: fakeBaseQuery<string>(),
  tagTypes: LISTS,
  // Another window, or the shell, may have changed them meanwhile.
  refetchOnMountOrArgChange: true,
  endpoints: ({ query }) => ({
    jobs: query<JobSummary[], { bin: boolean }>({
      queryFn: asking(({ bin }) => server.listJobs(bin)),
      providesTags: ["jobs"],
    }),
    patterns: query<PatternView[], void>({
      queryFn: asking(() => server.listPatterns()),
      providesTags: ["patterns"],
    }),
    styles: query<StyleView[], void>({
      queryFn: asking(() => server.listStyles()),
      providesTags: ["styles"],
    }),
    printers: query<Printer[], void>({
      queryFn: asking(() => server.listPrinters()),
      providesTags: ["printers"],
    }),
    profiles: query<ProfileView[], void>({
      queryFn: asking(() => server.listProfiles()),
      providesTags: ["profiles"],
    }),
    events: query<EventCard[], void>({
      queryFn: asking(() => server.listEvents()),
      providesTags: ["events"],
    }),
    network: query<NetworkView, void>({ queryFn: asking(() => server.network()) }),
    takenSet: query<TakenSet, string>({ queryFn: asking((link) => server.takenSet(link)) }),
    setLink: query<string, { event: string; set: number }>({
      queryFn: asking(async ({ event, set }) => (await server.setLink(event, set)).link),
    }),
    kept: query<KeptView, void>({ queryFn: asking(() => server.kept()), providesTags: ["kept"] }),
  }),
});

export const {
  useJobsQuery,
  usePatternsQuery,
  useStylesQuery,
  usePrintersQuery,
  useProfilesQuery,
  useKeptQuery,
  useEventsQuery,
  useNetworkQuery,
  useTakenSetQuery,
  useSetLinkQuery,
} = queries;

/** Why a list did not come, in a sentence; null where it came. */
export const failureOf = (error: string | SerializedError | undefined): string | null =>
  typeof error === "object" ? (error.message ?? "The list could not be read.") : (error ?? null);

/** Has a list that was changed read anew wherever it is looked at; to be dispatched. */
export const changed = (list: Listed) => queries.util.invalidateTags([list]);

/** What is kept, where an act has answered with it; to be dispatched. */
export const keptNow = (kept: KeptView) => queries.util.upsertQueryData("kept", undefined, kept);
