import { ApiProperty } from "@nestjs/swagger";
import { IsObject, IsOptional, IsString, Length, Matches } from "class-validator";

const A_DAY = /^\d{4}-\d\d-\d\d$/;

export class AskDays {
  @ApiProperty({ example: "2027-01-01" })
  @Matches(A_DAY, { message: "must be a day such as 2027-01-01" })
  from!: string;

  @ApiProperty({ example: "2027-12-31" })
  @Matches(A_DAY, { message: "must be a day such as 2027-12-31" })
  to!: string;

  @ApiProperty({
    description: "Where days come from, as a job has it",
    type: "object",
    additionalProperties: true,
  })
  @IsObject()
  source!: Record<string, unknown>;
}

export class AskMonth {
  @ApiProperty({ example: "2027-03", description: "The page’s name" })
  @IsString()
  @Length(1, 40)
  page!: string;
}

export class AskPlaces {
  @ApiProperty({ required: false, example: "en" })
  @IsOptional()
  @IsString()
  @Length(2, 20)
  language?: string;
}
