import { Body, Controller, Get, HttpCode, Inject, Param, Post, Query, Req, Res } from "@nestjs/common";
import { ApiBody, ApiConsumes, ApiOperation, ApiTags } from "@nestjs/swagger";
import { writeIcs } from "@wide-quilt/core";
import type { Request, Response } from "express";
import type { CalendarFileView, DaysView, HolidayPlace, JobView, NextYearView } from "../contract.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { attachment } from "../web/attachment.ts";
import { sentName } from "../web/sentName.ts";
import { oneFile } from "../web/upload.ts";
import { AskDays, AskMonth, AskPlaces } from "./calendar.dto.ts";
import { CalendarService } from "./calendar.service.ts";

/** No file of events that people keep is larger. */
const MOST_BYTES = 10_000_000;

@ApiTags("Calendar")
@Controller("api")
export class CalendarController {
  private readonly receive = oneFile("calendar", MOST_BYTES, "calendar file");

  constructor(
    @Inject(CalendarService) private readonly calendar: CalendarService,
    @Inject(JobsService) private readonly jobs: JobsService,
  ) {}

  @Get("calendar/places")
  @ApiOperation({ summary: "Countries, states and regions with holidays of their own" })
  places(@Query() { language = "en" }: AskPlaces): Promise<HolidayPlace[]> {
    return this.calendar.holidayPlaces(language);
  }

  @Post("calendar/days")
  @HttpCode(200)
  @ApiOperation({
    summary: "Works out holidays, what an .ics file has, the moon, the sun, dates of another calendar",
  })
  days(@Body() { from, to, source }: AskDays): Promise<DaysView> {
    return this.calendar.days(from, to, source);
  }

  @Post("calendar/files")
  @ApiOperation({ summary: "Keeps an .ics file" })
  @ApiConsumes("multipart/form-data")
  @ApiBody({ schema: { type: "object", properties: { calendar: { type: "string", format: "binary" } } } })
  async keep(
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<CalendarFileView> {
    const file = await this.receive(request, response);
    return this.calendar.keep(file.buffer, sentName(file));
  }

  @Post("jobs/:id/next-year")
  @ApiOperation({
    summary: "The same calendar for the year after, as a job of its own that waits for photos",
  })
  async nextYear(@Param("id") id: string): Promise<NextYearView> {
    const { job, said } = await this.calendar.nextYear(this.jobs.job(id));
    return { id: this.jobs.import(job).id, said };
  }

  @Post("jobs/:id/month")
  @ApiOperation({ summary: "One page of a calendar with its photos, as a job of its own" })
  month(@Param("id") id: string, @Body() { page }: AskMonth): JobView {
    return this.jobs.import(this.calendar.oneMonth(this.jobs.job(id), page));
  }

  @Get("jobs/:id/calendar.ics")
  @ApiOperation({ summary: "The days of a job’s calendar as an .ics file, to subscribe to" })
  ics(@Param("id") id: string, @Res() response: Response): void {
    const { job, changedAt } = this.jobs.jobNow(id);
    response.setHeader("Content-Disposition", attachment(`${job.name}.ics`));
    response
      .type("text/calendar; charset=utf-8")
      .send(writeIcs(job.calendar, { id, name: job.name, changedAt: changedAt.toISOString() }));
  }
}
