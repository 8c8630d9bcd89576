import { mm, PRINTERS, SHIPPED_CURRENCY, um, type Printer } from "@wide-quilt/core";

/** The station’s own printers: its inkjet, and the press that prints its album. Their profiles are known by name. */
export function demoPrinters(profileNamed: (name: string) => string): Printer[] {
  const [lab] = PRINTERS;
  const colour = (name: string, intent: "relative" | "perceptual") => ({
    profile: profileNamed(name),
    intent,
    blackPoint: true,
  });
  return [
    {
      ...lab!,
      id: "station-inkjet",
      name: "Station inkjet, lustre",
      unprintable: { top: mm(3), right: mm(3.4), bottom: mm(12.5), left: mm(3.4) },
      mayLose: um(0),
      // As its ruler sheet was measured: 260 mm came out as 259.2.
      scale: { across: 1, down: 0.996923 },
      price: { currency: SHIPPED_CURRENCY, perSheet: 0, perSquareMetre: 12, ink: 9 },
      ppi: 360,
      colour: colour("Spit inkjet, lustre", "relative"),
    },
    {
      ...lab!,
      id: "album-press",
      name: "Album press, uncoated",
      bleed: mm(3),
      mayLose: um(0),
      price: { currency: SHIPPED_CURRENCY, perSheet: 0.4, perSquareMetre: 6, ink: 0 },
      colour: colour("Dune press, uncoated", "perceptual"),
      medium: "matte",
    },
  ];
}
