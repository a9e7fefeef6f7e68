const WAYS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;

/** A bearing in degrees as the nearest of eight directions, in words. */
export const bearingWord = (deg: number): string => WAYS[Math.round((((deg % 360) + 360) % 360) / 45) % 8];
