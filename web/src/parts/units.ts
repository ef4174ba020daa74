/** The styles lengths are written in. */
export const LENGTH_STYLES = [
  { value: 'in-fraction', label: 'inches and fractions', short: 'inches' },
  { value: 'ft-in', label: 'feet, inches and fractions', short: 'feet, inches' },
  { value: 'in', label: 'inches, decimal', short: 'inches, decimal' },
  { value: 'mm', label: 'millimeters', short: 'mm' },
  { value: 'cm', label: 'centimeters', short: 'cm' },
] as const
export type LengthStyle = (typeof LENGTH_STYLES)[number]['value']
export const FRACTIONS = ['8', '16', '32'].map((value) => ({ value, label: `1/${value} inch` }))
