import { ApiProperty } from "@nestjs/swagger";
import { IsIn, Matches, ValidateIf } from "class-validator";

const COLOUR = /^#[0-9a-f]{6}$/;
const SAYS = { message: "must be a colour such as #f0f2f4" };

export class MakeBackdrop {
  @ApiProperty({ description: "The mask, taken in as a photo: grey, white where the person is" })
  @Matches(/^[0-9a-f]{64}$/, { message: "must be the id of a photo" })
  mask!: string;

  @ApiProperty({ enum: ["flat", "gradient"] })
  @IsIn(["flat", "gradient"], { message: "must be flat or gradient" })
  kind!: "flat" | "gradient";

  @ApiProperty({ required: false, description: "Of a flat one" })
  @ValidateIf(({ kind }: MakeBackdrop) => kind === "flat")
  @Matches(COLOUR, SAYS)
  colour?: string;

  @ApiProperty({ required: false, description: "Of a gradient, at the top" })
  @ValidateIf(({ kind }: MakeBackdrop) => kind === "gradient")
  @Matches(COLOUR, SAYS)
  top?: string;

  @ApiProperty({ required: false, description: "Of a gradient, at the bottom" })
  @ValidateIf(({ kind }: MakeBackdrop) => kind === "gradient")
  @Matches(COLOUR, SAYS)
  bottom?: string;
}
