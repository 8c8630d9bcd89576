import { Module } from "@nestjs/common";
import { LedgerModule } from "../press/ledger.module.ts";
import { PrintersController } from "./printers.controller.ts";
import { PrintersService } from "./printers.service.ts";
import { PrintingService } from "./printing.service.ts";

/** Printers, and the way sheets take to them. */
@Module({
  imports: [LedgerModule],
  controllers: [PrintersController],
  providers: [PrintersService, PrintingService],
  exports: [PrintersService, PrintingService],
})
export class PrintersModule {}
