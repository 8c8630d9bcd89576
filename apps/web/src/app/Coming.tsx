/** Something is on its way; while the server does not answer it is said, and it comes by itself. */
export function Coming({ what, waits = false }: { what: string; waits?: boolean }) {
  return (
    <main className="px-6 py-24 text-center">
      {waits ? (
        <p role="alert" className="font-semibold text-wrong">
          Wide Quilt’s server does not answer. What was saved is kept; this page comes by itself when it does.
        </p>
      ) : (
        <p className="text-ink-3">{what}</p>
      )}
    </main>
  );
}
