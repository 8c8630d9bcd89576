import { Module } from "@nestjs/common";
import { NetworkController } from "./network.controller.ts";

/** How this server is reached from other computers. */
@Module({ controllers: [NetworkController] })
export class NetworkModule {}
