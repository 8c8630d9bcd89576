import { ApiProperty } from "@nestjs/swagger";
import { IsIn } from "class-validator";

export const CLEARED = ["unused photos", "unused graphics", "copies"] as const;
export type Cleared = (typeof CLEARED)[number];

export class ClearKept {
  @ApiProperty({ enum: CLEARED })
  @IsIn(CLEARED, { message: `must be one of ${CLEARED.join(", ")}` })
  what!: Cleared;
}
