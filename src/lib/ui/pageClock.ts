const [WALL_MS, MONO_MS] = [Date.now(), performance.now()];

/**
 * Milliseconds since 1970 that run steadily while the page lives: those of the device's clock when the page was loaded, counted on
 * by a monotonic clock. A clock that is set meanwhile shortens no wait; only after a reload it counts again.
 */
export const pageNow = (): number => WALL_MS + performance.now() - MONO_MS;
