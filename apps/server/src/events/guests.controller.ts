import { Body, Controller, Get, HttpCode, Inject, Param, Post, Query, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import { cameBefore, openSetOf, printsBefore, type EventSet } from "@wide-quilt/core";
import type { Request, Response } from "express";
import type { GuestView, TakenIn } from "../contract.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import { plainName } from "../web/sentName.ts";
import { GuestActs, GuestQuery } from "./events.dto.ts";
import { EventsService } from "./events.service.ts";
import { IntakeService } from "./intake.service.ts";
import { Pace } from "./pace.ts";
import { SouvenirsService } from "./souvenirs.service.ts";
import type { Stage } from "./stage.ts";

/** Photos that one telephone may send in a minute, and that come from one address, behind which many may be. */
const FROM_PARTY = 15;
const FROM_ADDRESS = 120;

/** What telephones of guests may do, by an address that nobody guesses: send photos, look at them, have them printed. */
@ApiTags("Guests")
@Controller("api/guests/:token")
export class GuestsController {
  private readonly ofParty = new Pace(FROM_PARTY);
  private readonly ofAddress = new Pace(FROM_ADDRESS);

  constructor(
    @Inject(EventsService) private readonly events: EventsService,
    @Inject(IntakeService) private readonly intake: IntakeService,
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(SouvenirsService) private readonly souvenirs: SouvenirsService,
  ) {}

  @Get()
  @ApiOperation({ summary: "The event, and this telephone’s set" })
  view(@Param("token") token: string, @Query() { party }: GuestQuery): GuestView {
    const { row, state } = this.stage(token);
    const own = state.sets.findLast((set) => set.party === party && set.state !== "left");
    const [usual] = state.setup.patterns;
    const pattern = state.setup.patterns.find(({ id }) => id === own?.pattern) ?? usual!;
    return {
      name: row.name,
      ended: state.ended,
      pattern: { name: pattern.name, shots: pattern.shots },
      most: state.setup.most,
      set: own
        ? {
            number: own.number,
            state: own.state,
            shots: own.shots.map((shot) => shot?.photo ?? null),
            before: printsBefore(state, own.number),
            out: state.prints.some((print) => print.set === own.number && print.state === "printed"),
            link: own.state === "printing" && !state.ended ? this.souvenirs.linkOf(row.id, own.number) : null,
          }
        : null,
    };
  }

  @Post("shots")
  @ApiOperation({ summary: "Takes a photo of a telephone in" })
  @ApiConsumes("application/octet-stream")
  @ApiBody({ schema: { type: "string", format: "binary" } })
  async shot(
    @Param("token") token: string,
    @Query() { party, name }: GuestQuery,
    @Req() request: Request,
  ): Promise<TakenIn> {
    const { row } = this.stage(token);
    if (!request.is("application/octet-stream"))
      throw new Problem(
        415,
        "bad-upload",
        "Upload not understood",
        "A photo is sent as the bytes of its file.",
      );
    if (!this.ofParty.allows(party) || !this.ofAddress.allows(request.socket.remoteAddress ?? "")) {
      request.resume();
      throw new Problem(
        429,
        "too-many",
        "Too many photos",
        "That are many photos. Wait a minute, then send more.",
      );
    }
    return this.intake.take(row.id, party, request, plainName(name));
  }

  @Post("acts")
  @HttpCode(204)
  @ApiOperation({ summary: "Takes a shot of the telephone’s own set back, or has it printed" })
  act(
    @Param("token") token: string,
    @Query() { party }: GuestQuery,
    @Body() { act, place, copies }: GuestActs,
  ): void {
    const { row, state } = this.stage(token);
    const set: EventSet | undefined = openSetOf(state, party);
    if (!set) throw Problem.notFound("set", "This set is on its way already.");
    if (act === "print") this.events.tell(row.id, { do: "accept", set: set.number, copies: copies ?? 1 });
    else this.events.tell(row.id, { do: "retake", set: set.number, place: place ?? 1 });
  }

  @Get("photos/:photo")
  @ApiOperation({ summary: "A small picture of a photo of the event" })
  async photo(
    @Param("token") token: string,
    @Param("photo") photo: string,
    @Res() response: Response,
  ): Promise<void> {
    const isOwn = cameBefore(this.stage(token).state, photo);
    const path = isOwn ? await this.photos.preview(photo, 320) : null;
    if (path === null) throw Problem.notFound("photo", "This photo is not here.");
    response.sendFile(path, { headers: { "Content-Type": "image/jpeg" }, dotfiles: "allow" });
  }

  /** The event of an address, where telephones may come to it. */
  private stage(token: string): Stage {
    const stage = this.events.ofGuests(token);
    if (!stage.state.setup.telephones)
      throw Problem.notFound("event", "No photos are taken from telephones. Ask at the booth.");
    return stage;
  }
}
