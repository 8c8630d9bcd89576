/** How often something is tried: briefly in `npm test`, at length in `npm run test:long`. */
export const times = (brief: number, long: number): number => (process.env.WIDE_QUILT_LONG ? long : brief);
