import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import type { Response } from "express";

/** What a window follows. */
export interface Following {
  /** The window. */
  client: string;
  /** The job on its table; null for none. */
  job: string | null;
  /** The event that it shows; null for none. */
  event: string | null;
  /** Whether it shows runs. */
  runs: boolean;
}

interface Follower extends Following {
  response: Response;
}

/** How often something is said though there is nothing to say, so that nobody on the way takes the line for dead. */
const BEAT = 15_000;

/** The windows that are open, and what is pushed to them as it happens (server-sent events, HTML Living Standard, 9.2). */
@Injectable()
export class LiveService implements OnModuleDestroy {
  private readonly followers = new Set<Follower>();
  private readonly beat = setInterval(
    () => this.each((one) => one.response.write(": still here\n\n")),
    BEAT,
  ).unref();

  /** Keeps a line open until the window goes away. */
  follow(following: Following, response: Response): void {
    const follower = { ...following, response };
    response.status(200).set({
      "Content-Type": "text/event-stream",
      "Cache-Control": "no-cache, no-transform",
      Connection: "keep-alive",
      // Proxies that gather answers before they pass them on would keep the news.
      "X-Accel-Buffering": "no",
    });
    response.flushHeaders();
    response.write("retry: 1000\n\n");
    this.followers.add(follower);
    response.on("close", () => this.followers.delete(follower));
  }

  /** Whether a window has a job open. */
  isHere(job: string, client: string): boolean {
    return [...this.followers].some((one) => one.job === job && one.client === client);
  }

  /** Tells the windows that have a job open, each in its own way. */
  toJob(job: string, event: string, data: (client: string) => unknown): void {
    this.each((one) => one.job === job && this.say(one, event, data(one.client)));
  }

  /** Tells the windows of one name that have a job open. */
  toWindow(job: string, client: string, event: string, data: unknown): void {
    this.each((one) => one.job === job && one.client === client && this.say(one, event, data));
  }

  toEvent(shown: string, event: string, data: unknown): void {
    this.each((one) => one.event === shown && this.say(one, event, data));
  }

  toAll(event: string, data: unknown): void {
    this.each((one) => this.say(one, event, data));
  }

  toRuns(event: string, data: unknown): void {
    this.each((one) => one.runs && this.say(one, event, data));
  }

  onModuleDestroy(): void {
    clearInterval(this.beat);
    this.each(({ response }) => response.end());
  }

  private say({ response }: Follower, event: string, data: unknown): void {
    response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  }

  private each(act: (follower: Follower) => unknown): void {
    for (const follower of [...this.followers]) act(follower);
  }
}
