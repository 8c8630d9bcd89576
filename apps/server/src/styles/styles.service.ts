import { randomUUID } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import { readStyle } from "@wide-quilt/core";
import type { StyleView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { styles } from "../data/schema.ts";
import { Problem } from "../safety/problem.ts";

/** Styles and looks that were kept under a name. */
@Injectable()
export class StylesService {
  constructor(@Inject(DB) private readonly db: Db) {}

  list(): StyleView[] {
    return this.db.select().from(styles).orderBy(asc(styles.name)).all().map(viewOf);
  }

  keep(name: string, style: unknown): StyleView {
    const reading = readStyle(style);
    if (!reading.ok) {
      const [fault] = reading.faults;
      throw new Problem(422, "not-a-style", "Not a style", fault!.why, {
        field: fault!.field,
        faults: reading.faults,
      });
    }
    const taken = this.db.select().from(styles).where(eq(styles.name, name.trim())).get();
    if (taken) {
      throw new Problem(
        409,
        "style-name-taken",
        "Name taken",
        `There is a style “${name.trim()}” already. Give this one another name.`,
        {
          field: "name",
        },
      );
    }
    const row = { id: randomUUID(), name: name.trim(), style: reading.style, createdAt: new Date() };
    this.db.insert(styles).values(row).run();
    return viewOf(row);
  }

  remove(id: string): void {
    this.db.delete(styles).where(eq(styles.id, id)).run();
  }
}

const viewOf = ({ id, name, style }: typeof styles.$inferSelect): StyleView => ({ id, name, style });
