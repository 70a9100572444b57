/** The server's time. A demo's clock starts at a moment of its scenario and runs on from when the server started. */
export interface Clock {
  nowMs(): number;
}

export const systemClock: Clock = { nowMs: () => Date.now() };

export function scenarioClock(startsMs: number): Clock {
  const shift = startsMs - Date.now();
  return { nowMs: () => Date.now() + shift };
}
