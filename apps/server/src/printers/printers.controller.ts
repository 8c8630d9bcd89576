import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put, Res } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Response } from "express";
import type { Printer } from "@wide-quilt/core";
import { attachment } from "../web/attachment.ts";
import { PrinterFault, type PrinterCan } from "@wide-quilt/ipp";
import { Problem } from "../safety/problem.ts";
import { AskPrinterCan } from "./printers.dto.ts";
import { PrintersService } from "./printers.service.ts";
import { PrintingService } from "./printing.service.ts";

@ApiTags("Printers")
@Controller("api/printers")
export class PrintersController {
  constructor(
    @Inject(PrintersService) private readonly printers: PrintersService,
    @Inject(PrintingService) private readonly printing: PrintingService,
  ) {}

  @Get()
  @ApiOperation({ summary: "Places to print at, each with its paper" })
  list(): Printer[] {
    return this.printers.list();
  }

  @Post("can")
  @HttpCode(200)
  @ApiOperation({ summary: "Asks a printer by IPP what it can do" })
  async can(@Body() { address }: AskPrinterCan): Promise<PrinterCan> {
    try {
      return await this.printing.can(address);
    } catch (error) {
      if (!(error instanceof PrinterFault)) throw error;
      throw new Problem(422, "no-printer", "No printer", error.message);
    }
  }

  @Get("file")
  @ApiOperation({ summary: "All of them as a JSON file, for another machine" })
  file(@Res() response: Response): void {
    response.setHeader("Content-Disposition", attachment("Printers.json"));
    response.type("application/json").send(JSON.stringify(this.printers.file(), null, 2));
  }

  @Post("import")
  @ApiOperation({ summary: "Takes the printers of such a file in; those of the same id are replaced" })
  import(@Body() file: unknown): Printer[] {
    return this.printers.import(file);
  }

  @Put(":id")
  @ApiOperation({ summary: "Adds a printer, or changes one" })
  keep(@Param("id") id: string, @Body() printer: unknown): Printer {
    return this.printers.keep(id, printer);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({ summary: "Takes a printer out; jobs that are made by it keep what they know of it" })
  remove(@Param("id") id: string): void {
    this.printers.remove(id);
  }
}
