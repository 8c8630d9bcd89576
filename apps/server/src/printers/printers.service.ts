import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import { PRINTERS, readPrinters, withCurrency, type Printer, type PrintersFile } from "@wide-quilt/core";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { printers } from "../data/schema.ts";
import { Problem } from "../safety/problem.ts";

/** Places to print at. A new data folder begins with those that come with the program. */
@Injectable()
export class PrintersService {
  constructor(@Inject(DB) private readonly db: Db) {
    if (this.list().length === 0) for (const printer of PRINTERS) this.write(printer);
  }

  list(): Printer[] {
    return this.db
      .select()
      .from(printers)
      .orderBy(asc(printers.place))
      .all()
      .map(({ printer }) => withCurrency(printer));
  }

  file(): PrintersFile {
    return { format: "wide-quilt-printers", version: 2, printers: this.list() };
  }

  import(file: unknown): Printer[] {
    const reading = readPrinters(file);
    if (!reading.ok) throw new Problem(422, "not-printers", "Not a list of printers", reading.why);
    for (const printer of reading.printers) this.write(printer);
    return this.list();
  }

  keep(id: string, value: unknown): Printer {
    const reading = readPrinters({ format: "wide-quilt-printers", version: 2, printers: [value] });
    if (!reading.ok) throw new Problem(422, "bad-printer", "Not a printer", reading.why);
    const printer = { ...reading.printers[0]!, id };
    this.write(printer);
    return printer;
  }

  remove(id: string): void {
    this.db.delete(printers).where(eq(printers.id, id)).run();
  }

  private write(printer: Printer): void {
    const last = this.db
      .select({ place: printers.place })
      .from(printers)
      .orderBy(asc(printers.place))
      .all()
      .at(-1);
    this.db
      .insert(printers)
      .values({ id: printer.id, printer, place: (last?.place ?? 0) + 1 })
      .onConflictDoUpdate({ target: printers.id, set: { printer } })
      .run();
  }
}
