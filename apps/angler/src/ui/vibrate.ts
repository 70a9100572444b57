/** A short shake of the phone; browsers want a touch before the first. */
export function vibrate(): void {
  if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(120);
}
