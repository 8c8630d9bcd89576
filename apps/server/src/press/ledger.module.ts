import { Module } from "@nestjs/common";
import { Ledger } from "./ledger.ts";

/** What was promised to be written and printed, and how far it is. */
@Module({
  providers: [Ledger],
  exports: [Ledger],
})
export class LedgerModule {}
