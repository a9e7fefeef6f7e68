/** A seed for another draw of the simulated fleet. */
export const newSeed = (): number => Math.floor(Math.random() * 1e6);
