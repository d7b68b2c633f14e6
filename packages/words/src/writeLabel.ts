/** A label as a drawing would write it: 7.2x3.9x3 becomes 7.2×3.9×3; what is not a size stays as printed. */
export function writeLabel(label: string): string {
  return label.replace(/(?<=\d)\s*x\s*(?=\d)/gi, '×');
}
