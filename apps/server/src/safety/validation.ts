import { ValidationPipe, type ValidationError } from "@nestjs/common";
import { Problem } from "./problem.ts";

/** Checks every request body against its class; what does not belong there is refused, not dropped. */
export const validation = () =>
  new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors: ValidationError[]) => {
      const { field, why } = firstFault(errors);
      return new Problem(400, "not-valid", "Not understood", `“${field}” ${why}.`, { field });
    },
  });

/** A field is named by so many characters at most: it may be anything that was sent. */
const MOST_NAMED = 80;

function firstFault(errors: ValidationError[], path = ""): { field: string; why: string } {
  const error = errors[0]!;
  const field = path + error.property;
  if (error.children?.length) return firstFault(error.children, `${field}.`);
  const why = Object.values(error.constraints ?? { is: "is not right" })[0]!;
  // Messages begin with the name of the field, which is said already.
  const [named] = [`property ${error.property} `, `${error.property} `].filter((name) =>
    why.startsWith(name),
  );
  return { field: field.slice(0, MOST_NAMED), why: why.slice(named?.length ?? 0) };
}
