import { requireWithin } from '../units';

/** Light attenuation, 1/m, from Secchi depth 0.1 to 40 m. Source: Poole & Atkins 1929, K_d = 1.7/Secchi. */
export function attenuation(secchiM: number): number {
  requireWithin(secchiM, 0.1, 40, 'Secchi depth', 'm');
  return 1.7 / secchiM;
}

/** Depth, m, at which `fraction` (1e-6 to 1) of the visible light just below the surface is left. */
export function depthOfLight(secchiM: number, fraction: number): number {
  requireWithin(fraction, 1e-6, 1, 'light fraction', '(0 to 1)');
  return -Math.log(fraction) / attenuation(secchiM);
}
