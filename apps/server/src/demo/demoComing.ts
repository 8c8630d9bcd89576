import { Controller, Get, Inject, Injectable } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { DemoView } from "../contract.ts";

/** How far the demo is on its way into a new data folder; null once it is in, or where none is wanted. */
@Injectable()
export class DemoComing {
  state: DemoView["coming"] = null;
}

@ApiTags("Demo")
@Controller("api/demo")
export class DemoController {
  constructor(@Inject(DemoComing) private readonly coming: DemoComing) {}

  @Get()
  @ApiOperation({ summary: "How many of the demo’s photos are rendered, at the first start" })
  view(): DemoView {
    return { coming: this.coming.state };
  }
}
