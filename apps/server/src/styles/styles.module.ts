import { Module } from "@nestjs/common";
import { StylesController } from "./styles.controller.ts";
import { StylesService } from "./styles.service.ts";

/** Styles and looks that were kept. */
@Module({
  controllers: [StylesController],
  providers: [StylesService],
})
export class StylesModule {}
