import fc from 'fast-check';
import { parsePlaceText } from '../src/formats/place-text';

test.each([
  ['51.50, -0.12', 51.5, -0.12],
  ['51.50 -0.12', 51.5, -0.12],
  ['60, 25', 60, 25],
  ['60,25', 60, 25],
  ['-33.87, 151.21', -33.87, 151.21],
  ['−33.87, 151.21', -33.87, 151.21],
  ['51,50; -0,12', 51.5, -0.12],
  ['51,50 -0,12', 51.5, -0.12],
  ['51,5N 0,12W', 51.5, -0.12],
  ["51°30'N 0°7.2'W", 51.5, -0.12],
  ['51° 30′ 0″ N, 0° 7′ 12″ W', 51.5, -0.12],
  ['N51 30 W0 7.2', 51.5, -0.12],
  ['N 51.5 W 0.12', 51.5, -0.12],
  ["0°7.2'W 51°30'N", 51.5, -0.12],
  ['51 30 00 N 0 07 12 W', 51.5, -0.12],
  ['51 30, -0 7.2', 51.5, -0.12],
  ['51.5°, -0.12°', 51.5, -0.12],
  ['51.5° -0.12°', 51.5, -0.12],
  ['lat 51.5, lon -0.12', 51.5, -0.12],
  ['lon -0.12, lat 51.5', 51.5, -0.12],
  ['Latitude: 51.5 Longitude: -0.12', 51.5, -0.12],
  ['lng=-0.12;lat=51.5', 51.5, -0.12],
  ['geo:51.5,-0.12', 51.5, -0.12],
  ['geo:51.5,-0.12;u=35', 51.5, -0.12],
  ['41°24′12.2″S 174°46′E', -41.4033889, 174.7666667],
  ['90, 180', 90, 180],
  ['-0.5, 0', -0.5, 0],
] as const)('%s', (text, lat, lon) => {
  expect(parsePlaceText(text)).toEqual({ lat, lon });
});

test.each([
  ['51.5', /found no two angles/],
  ['', /found no two angles/],
  ['somewhere north', /found no two angles/],
  ['51 30 0', /found no two angles/],
  ['51.5, -0.12, 30', /found no two angles/],
  ["51°60'N 0°7'W", /minutes or seconds that are not 0 to 60/],
  ["51°30'75\"N 0°7'W", /minutes or seconds that are not 0 to 60/],
  ['51.5N 0.12N', /found two of latitude/],
  ['0.12E 51.5W', /found two of longitude/],
  ['lat 51.5, lat 0.12', /found two of latitude/],
  ['91, 0', /a latitude beyond 90°/],
  ['0, 181', /a longitude beyond 180°/],
  ['-51.5S 0.12W', /a sign and a letter/],
  ["51.5°30'N 0°W", /a fraction before minutes/],
  ['lat 51.5E, lon 0.12', /a letter of the other axis/],
] as const)('%s is refused with what was expected', (text, words) => {
  expect(() => parsePlaceText(text)).toThrow(words);
  expect(() => parsePlaceText(text)).toThrow(/^expected a latitude and a longitude, such as /);
});

test('any place written in any of the ways is read back', () => {
  const dms = (value: number, letters: string, parts: 1 | 2 | 3) => {
    const size = Math.abs(value);
    const letter = value < 0 ? letters[1] : letters[0];
    if (parts === 1) return `${size.toFixed(6)}° ${letter}`;
    const degrees = Math.floor(size);
    const minutes = (size - degrees) * 60;
    if (parts === 2) return `${degrees}° ${Math.min(59.99999, minutes).toFixed(5)}' ${letter}`;
    const whole = Math.floor(minutes);
    return `${degrees}°${whole}'${Math.min(59.999, (minutes - whole) * 60).toFixed(3)}"${letter}`;
  };
  const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true });
  fc.assert(
    fc.property(
      angle(89.9),
      angle(179.9),
      fc.constantFrom(1 as const, 2 as const, 3 as const),
      fc.boolean(),
      fc.constantFrom(', ', ' ', '; '),
      (lat, lon, parts, isTurned, between) => {
        const written = [dms(lat, 'NS', parts), dms(lon, 'EW', parts)];
        const read = parsePlaceText((isTurned ? written.reverse() : written).join(between));
        expect(read.lat).toBeCloseTo(lat, 5);
        expect(read.lon).toBeCloseTo(lon, 5);
        const decimal = parsePlaceText(`${lat.toFixed(6)}${between}${lon.toFixed(6)}`);
        expect([decimal.lat, decimal.lon]).toEqual([expect.closeTo(lat, 5), expect.closeTo(lon, 5)]);
      },
    ),
  );
});
