import { Controller, Delete, Get, HttpCode, Inject, Param, Post, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import type { Request, Response } from "express";
import type { ProfileView } from "../contract.ts";
import { oneFile } from "../web/upload.ts";
import { ProfilesService } from "./profiles.service.ts";

const MOST_BYTES = 32 * 1024 ** 2;

@ApiTags("Profiles")
@Controller("api/profiles")
export class ProfilesController {
  private readonly receive = oneFile("profile", MOST_BYTES, "profile");

  constructor(@Inject(ProfilesService) private readonly profiles: ProfilesService) {}

  @Get()
  @ApiOperation({ summary: "Colour profiles: those that come with the program, then those that were added" })
  list(): ProfileView[] {
    return this.profiles.list();
  }

  @Post()
  @ApiOperation({ summary: "Adds the ICC profile of a printer, a paper or a display" })
  @ApiConsumes("multipart/form-data")
  @ApiBody({ schema: { type: "object", properties: { profile: { type: "string", format: "binary" } } } })
  async add(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<ProfileView> {
    return this.profiles.add((await this.receive(request, response)).buffer);
  }

  @Get(":id/file")
  @ApiOperation({ summary: "A profile as it is" })
  async file(@Param("id") id: string, @Res() response: Response): Promise<void> {
    const bytes = await this.profiles.bytes(id);
    response.setHeader("Cache-Control", "private, max-age=3600");
    response.type("application/vnd.iccprofile").send(bytes);
  }

  @Delete(":id")
  @HttpCode(204)
  @ApiOperation({
    summary: "Takes a profile out of the list; runs that were made with it can still be repeated",
  })
  remove(@Param("id") id: string): void {
    this.profiles.remove(id);
  }
}
