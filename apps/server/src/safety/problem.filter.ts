import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from "@nestjs/common";
import type { Response } from "express";
import { Problem } from "./problem.ts";

/** Answers every error as a problem document; what was not foreseen is logged and told without its insides. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    answerWith(error, host.switchToHttp().getResponse<Response>());
  }
}

export function sendProblem(response: Response, problem: Problem): void {
  response.status(problem.status).type("application/problem+json").send(JSON.stringify(problem.body()));
}

function answerWith(error: unknown, response: Response): void {
  if (response.headersSent) response.destroy();
  else sendProblem(response, problemOf(error));
}

const log = new Logger("Problem");

function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const cause = (error as { cause?: unknown }).cause;
  if (cause instanceof Problem) return cause;
  if (isFullDisk(error) || isFullDisk(cause)) {
    return new Problem(
      507,
      "disk-full",
      "No room left",
      "The disk is full, so this was not saved. Nothing saved before is lost; make room and try again.",
    );
  }
  const status = statusOf(error);
  if (status === 404) return Problem.notFound("address", "There is nothing at this address.");
  if (status >= 400 && status < 500) {
    const why = `The request was not understood: ${(error as Error).message.slice(0, 300)}.`;
    return new Problem(status, "bad-request", "Not understood", why);
  }
  log.error(error instanceof Error ? error.stack : String(error));
  return new Problem(
    500,
    "unforeseen",
    "Something went wrong",
    "Something went wrong on our side. What was saved before is kept; try again, and look at the server's log if it stays.",
  );
}

/** The status that whoever threw it gave it: Nest’s exceptions, and those of Express and what it is made of. */
function statusOf(error: unknown): number {
  if (error instanceof HttpException) return error.getStatus();
  const { status, statusCode } = (error ?? {}) as { status?: unknown; statusCode?: unknown };
  const given = status ?? statusCode;
  if (typeof given === "number") return given;
  return error instanceof URIError ? 400 : 500;
}

const FULL = ["ENOSPC", "EDQUOT", "SQLITE_FULL", "SQLITE_IOERR", "SQLITE_IOERR_WRITE"];

const isFullDisk = (error: unknown): boolean => FULL.includes((error as { code?: string })?.code ?? "");
