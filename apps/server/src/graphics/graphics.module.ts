import { Module } from "@nestjs/common";
import { PhotosModule } from "../photos/photos.module.ts";
import { GraphicsController } from "./graphics.controller.ts";
import { GraphicsService } from "./graphics.service.ts";

/** Stamps, overlays, backings and watermarks. */
@Module({
  imports: [PhotosModule],
  controllers: [GraphicsController],
  providers: [GraphicsService],
})
export class GraphicsModule {}
