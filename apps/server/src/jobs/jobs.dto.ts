import { ApiProperty } from "@nestjs/swagger";
import { Type } from "class-transformer";
import { JOB_KINDS, UNITS, type Kind, type Unit } from "@wide-quilt/core";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Min,
  ValidateNested,
} from "class-validator";

const KINDS = JOB_KINDS.map(({ name }) => name);

export class StartJob {
  @ApiProperty({ enum: KINDS, description: "What it is to become" })
  @IsIn(KINDS, { message: `must be one of ${KINDS.join(", ")}` })
  kind!: Kind;

  @ApiProperty({ example: "Ringers’ badges" })
  @IsString()
  @Matches(/\S/, { message: "must not be empty" })
  @Length(1, 200)
  name!: string;

  @ApiProperty({
    example: "en-GB",
    required: false,
    description: "Whose paper and sizes to start from (BCP 47)",
  })
  @IsOptional()
  @IsString()
  @Matches(/^[A-Za-z0-9-]{2,35}$/, { message: "must be a language tag such as en-GB" })
  locale?: string;

  @ApiProperty({ enum: UNITS, required: false, description: "The unit that its lengths are shown in" })
  @IsOptional()
  @IsIn(UNITS, { message: `must be one of ${UNITS.join(", ")}` })
  unit?: Unit;
}

export class SentEdit {
  @ApiProperty({ description: "Made by the caller; an edit that is sent twice is applied once" })
  @IsString()
  @Length(8, 64)
  id!: string;

  @ApiProperty({ required: false, description: "Edits of one gesture are undone together" })
  @IsOptional()
  @IsString()
  @Length(1, 64)
  gesture?: string;

  @ApiProperty({
    required: false,
    description: "Whether the program found this by itself: it is no step then, and undo passes over it",
  })
  @IsOptional()
  @IsBoolean()
  byItself?: boolean;

  @ApiProperty({
    type: Object,
    description: "One edit of a job",
    example: { do: "ticket", change: { gap: 3000 } },
  })
  @IsObject()
  edit!: Record<string, unknown>;
}

export class AskJob {
  @ApiProperty({
    required: false,
    description: "The window that asks; steps belong to the window that made them",
  })
  @IsOptional()
  @IsString()
  @Length(8, 64)
  client?: string;
}

/** Who acts on a job, and what they have of it. */
export class ActOnJob extends AskJob {
  @ApiProperty({
    required: false,
    description: "The version that the caller has: the answer is what changed since",
  })
  @IsOptional()
  @IsInt()
  @Min(0)
  version?: number;
}

export class SendEdits extends ActOnJob {
  @ApiProperty({ type: [SentEdit] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(1000)
  @ValidateNested({ each: true })
  @Type(() => SentEdit)
  edits!: SentEdit[];
}

export class WalkSteps extends ActOnJob {
  @ApiProperty({ required: false, description: "Made by the caller; what is sent twice is done once" })
  @IsOptional()
  @IsString()
  @Length(8, 64)
  id?: string;
}

export class PutInBin {
  @ApiProperty({ description: "true puts the job in the bin, false takes it out again" })
  @IsBoolean()
  binned!: boolean;
}
