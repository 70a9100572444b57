/** A file that is not what it should be: says where, what was expected and what was found. */
export class FormatError extends Error {
  override readonly name = 'FormatError';
  constructor(
    readonly line: number | null,
    message: string,
  ) {
    super(line === null ? message : `line ${line}: ${message}`);
  }
}
