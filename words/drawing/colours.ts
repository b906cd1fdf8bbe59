const BANDS: Record<string, string> = {
  white: '#f4f4f0',
  green: '#2f8f4e',
  violet: '#7a4fa3',
  brown: '#7a4a26',
  red: '#c2332b',
  yellow: '#e3bf2c',
  black: '#20262a',
  grey: '#8b9498',
  blue: '#2c62b0',
  'light blue': '#79b4e3',
  orange: '#d9772b',
};

/** Colours of a wire as bands: base and tracer of "white/green". */
export function bandsOf(colour: string | undefined): string[] {
  return (colour ?? 'grey').split('/').map((name) => BANDS[name] ?? '#8b9498');
}
