import { Global, Module, type DynamicModule } from "@nestjs/common";
import { DB } from "./data/database.ts";
import type { Db } from "./data/db.ts";
import { DataFolder } from "./data/folder.ts";
import { NETWORK, type Network } from "./network/network.controller.ts";
import type { Options } from "./options.ts";
import { PrinterAddresses } from "./printers/addresses.ts";

/** What every module stands on: the data folder, its database, how it is reached, and which printers may be spoken to. */
@Global()
@Module({})
export class HouseModule {
  static over(folder: DataFolder, db: Db, options: Options, network: Network): DynamicModule {
    const providers = [
      { provide: DB, useValue: db },
      { provide: DataFolder, useValue: folder },
      { provide: NETWORK, useValue: network },
      { provide: PrinterAddresses, useValue: new PrinterAddresses(options.printerPorts) },
    ];
    return { module: HouseModule, providers, exports: providers.map(({ provide }) => provide) };
  }
}
