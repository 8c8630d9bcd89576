import { ApiProperty } from "@nestjs/swagger";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import type { ReportPaper } from "@wide-quilt/painters";
import { EVENT_LIMITS, type EventEntry, type EventSetup } from "@wide-quilt/core";

export class StartEvent {
  @ApiProperty({ example: "Open day at the hide" })
  @IsString()
  @Matches(/\S/, { message: "must not be empty" })
  @Length(1, 200)
  name!: string;

  @ApiProperty({ description: "Patterns of the book that its sets can be, the usual one first" })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(EVENT_LIMITS.patterns)
  @IsString({ each: true })
  patterns!: string[];
}

export class SetUpEvent {
  @ApiProperty({ type: "object", additionalProperties: true, description: "What it takes and does" })
  @IsObject()
  setup!: EventSetup;

  @ApiProperty({
    required: false,
    description: "What leaves the guests’ page: 4 to 8 digits; empty for nothing",
  })
  @IsOptional()
  @IsString()
  @Matches(/^(\d{4,8})?$/, { message: "must be 4 to 8 digits" })
  pin?: string;
}

export class TellEvent {
  @ApiProperty({ type: "object", additionalProperties: true, description: "What happened" })
  @IsObject()
  entry!: EventEntry;
}

export class LeaveGuests {
  @ApiProperty()
  @IsString()
  @Length(1, 8)
  pin!: string;
}

export class ReportQuery {
  @ApiProperty({ enum: ["a4", "letter"] })
  @IsIn(["a4", "letter"])
  paper!: ReportPaper;
}

export class TestPrint {
  @ApiProperty({ description: "Which of the event’s patterns" })
  @IsString()
  @Length(1, 64)
  pattern!: string;

  @ApiProperty({ description: "Which of its printers" })
  @IsString()
  @Length(1, 64)
  printer!: string;
}

export class GuestQuery {
  @ApiProperty({ description: "The telephone, by a name that it made itself" })
  @Matches(/^phone-[0-9a-f]{32}$/, { message: "must be the name of a telephone" })
  party!: string;

  @ApiProperty({ required: false, description: "The name of the file" })
  @IsOptional()
  @IsString()
  @MaxLength(300)
  name?: string;
}

export class GuestActs {
  @ApiProperty({ enum: ["print", "retake"] })
  @IsIn(["print", "retake"])
  act!: "print" | "retake";

  @ApiProperty({ required: false })
  @IsOptional()
  @IsInt()
  @Min(1)
  @Max(EVENT_LIMITS.shots)
  place?: number;

  @ApiProperty({ required: false })
  @IsOptional()
  @IsInt()
  @Min(1)
  @Max(EVENT_LIMITS.most.most)
  copies?: number;
}
