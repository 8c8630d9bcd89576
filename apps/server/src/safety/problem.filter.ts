import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from "@nestjs/common";
import type { Response } from "express";
import { Problem } from "./problem.ts";

/** Answers every error as a problem document; what was not foreseen is logged and told without its insides. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger("Problem");

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const problem = this.problemOf(error);
    if (response.headersSent) {
      response.destroy();
      return;
    }
    response.status(problem.status).type("application/problem+json").send(JSON.stringify(problem.body()));
  }

  private problemOf(error: unknown): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof HttpException) {
      const status = error.getStatus();
      return status === 404
        ? Problem.notFound("address", "There is nothing at this address.")
        : new Problem(
            status,
            "bad-request",
            "Not understood",
            `The request was not understood: ${error.message}.`,
          );
    }
    if (isFullDisk(error)) {
      return new Problem(
        507,
        "disk-full",
        "No room left",
        "The disk is full, so this was not saved. Nothing saved before is lost; make room and try again.",
      );
    }
    this.log.error(error instanceof Error ? error.stack : String(error));
    return new Problem(
      500,
      "unforeseen",
      "Something went wrong",
      "Something went wrong on our side. What was saved before is kept; try again, and look at the server's log if it stays.",
    );
  }
}

const isFullDisk = (error: unknown): boolean =>
  ["ENOSPC", "EDQUOT", "SQLITE_FULL"].includes((error as { code?: string })?.code ?? "");
