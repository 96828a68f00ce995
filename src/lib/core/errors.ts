/** Input the core cannot answer for. `code` and `data` travel to the interface; the message is for developers. */
export class CoreError<Code extends string = string> extends RangeError {
  constructor(
    readonly code: Code,
    readonly data: Record<string, number | string> = {}
  ) {
    super(`${code} ${JSON.stringify(data)}`);
    this.name = 'CoreError';
  }
}

/**
 * Refuses a number outside its range; NaN and the infinities never pass.
 *
 * Throws: CoreError `${name}_out_of_range` with the value and its bounds.
 */
export function requireRange(name: string, value: number, min: number, max: number): number {
  if (!(value >= min && value <= max)) throw new CoreError(`${name}_out_of_range`, { value, min, max });
  return value;
}
