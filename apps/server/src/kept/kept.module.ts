import { Module } from "@nestjs/common";
import { KeptController } from "./kept.controller.ts";
import { KeptService } from "./kept.service.ts";

/** What is kept in the data folder, and the clearing of it. */
@Module({
  controllers: [KeptController],
  providers: [KeptService],
})
export class KeptModule {}
