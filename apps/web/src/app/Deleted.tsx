import { useNavigate } from "react-router";
import { server } from "../api/client.ts";
import { button } from "../ui/button.ts";
import { useAppSelector } from "./hooks.ts";
import { useDoing } from "./useDoing.ts";

/** The job on the table was deleted in another window; as it stands here it can be kept as a new one. */
export function Deleted() {
  const job = useAppSelector((state) => state.openJob.job);
  const doing = useDoing();
  const navigate = useNavigate();
  const keep = () =>
    doing(async () => {
      const { id } = await server.importJob(job);
      await navigate(`/jobs/${id}`);
    });
  return (
    <main className="mx-auto flex max-w-md flex-col items-start gap-4 px-6 py-24">
      <p role="alert" className="text-lg">
        “{job?.name}” was deleted in another window.
      </p>
      <p className="text-ink-2">
        As it was here, with everything you changed last, it can be kept as a new job.
      </p>
      <div className="flex gap-2">
        <button type="button" className={button.main} onClick={() => void keep()}>
          Keep it as a new job
        </button>
        <button type="button" className={button.plain} onClick={() => void navigate("/")}>
          Go to your jobs
        </button>
      </div>
    </main>
  );
}
