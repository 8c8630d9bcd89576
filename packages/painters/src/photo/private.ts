import exifr from "exifr";

/** What a JPEG may say that its photographer would not tell everybody. */
const PRIVATE = [
  "latitude",
  "GPSLatitude",
  "SerialNumber",
  "BodySerialNumber",
  "LensSerialNumber",
  "OwnerName",
  "CameraOwnerName",
  "City",
  "Location",
  "Sub-location",
];

/** Whether a photo says where it was taken, or with whose camera. */
export async function tellsMore(jpeg: Buffer): Promise<boolean> {
  try {
    const read = (await exifr.parse(jpeg, { gps: true, xmp: true, iptc: true, mergeOutput: true })) as
      Record<string, unknown> | undefined;
    return PRIVATE.some((name) => read?.[name] !== undefined);
  } catch {
    // Nobody can say what a damaged block tells, so it does not go out.
    return true;
  }
}

/** Where a photo was taken, degrees north and east; null where it does not say. */
export async function placeOf(path: string): Promise<{ latitude: number; longitude: number } | null> {
  try {
    const { latitude, longitude } = (await exifr.gps(path)) ?? {};
    return Number.isFinite(latitude) && Number.isFinite(longitude) ? { latitude, longitude } : null;
  } catch {
    return null;
  }
}
