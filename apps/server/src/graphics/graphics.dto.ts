import { ApiProperty } from "@nestjs/swagger";
import { Type } from "class-transformer";
import { IsInt, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";

/** How windows are looked for; what is left out is as it usually is. */
export class FindWindows {
  @ApiProperty({ required: false, description: "What is less opaque than this, of 255, is a window" })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(1)
  @Max(255)
  threshold?: number;

  @ApiProperty({ required: false, description: "The least window both ways, in pixels" })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(2)
  @Max(100_000)
  least?: number;
}

/** Pixels that an artwork gets at its sides. */
export class WidenGraphic {
  @ApiProperty({ description: "What it is called" })
  @IsString()
  @MaxLength(200)
  name!: string;

  @ApiProperty({ description: "Pixels above" })
  @IsInt()
  @Min(0)
  @Max(20_000)
  top!: number;

  @ApiProperty({ description: "Pixels at the right" })
  @IsInt()
  @Min(0)
  @Max(20_000)
  right!: number;

  @ApiProperty({ description: "Pixels below" })
  @IsInt()
  @Min(0)
  @Max(20_000)
  bottom!: number;

  @ApiProperty({ description: "Pixels at the left" })
  @IsInt()
  @Min(0)
  @Max(20_000)
  left!: number;
}
