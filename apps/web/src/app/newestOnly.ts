interface Asked<Task, Answer> {
  task: Task;
  answer(answer: Answer): void;
}

/**
 * Asks a thread of its own, started with the first question. While it works only the newest question is held: one that
 * was overtaken meanwhile is never answered.
 */
export function newestOnly<Task, Answer>(start: () => Worker): (task: Task) => Promise<Answer> {
  let worker: Worker | null = null;
  let running: Asked<Task, Answer> | null = null;
  let held: Asked<Task, Answer> | null = null;
  const go = () => {
    running = held;
    held = null;
    if (running) worker!.postMessage(running.task);
  };
  return (task) => {
    if (!worker) {
      worker = start();
      worker.addEventListener("message", ({ data }: MessageEvent<Answer>) => {
        running?.answer(data);
        go();
      });
    }
    return new Promise((answer) => {
      held = { task, answer };
      if (!running) go();
    });
  };
}
