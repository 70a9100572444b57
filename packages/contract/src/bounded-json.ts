/** How deep and how large a JSON text may be before anybody parses it. */
export interface JsonLimits {
  /** Lists and braces within each other. */
  depth: number;
  /** Lists and braces in all: each costs many times its two characters once it is parsed. */
  containers: number;
}

const [quote, backslash, openBrace, closeBrace, openBracket, closeBracket] = [0x22, 0x5c, 0x7b, 0x7d, 0x5b, 0x5d];

/**
 * What is wrong with the shape of a JSON text, read once from front to back without parsing it; null when it may be parsed.
 * Whether it is JSON at all is the parser's to say.
 */
export function jsonShapeProblem(text: string | Uint8Array, limits: JsonLimits): string | null {
  const at = typeof text === 'string' ? (i: number) => text.charCodeAt(i) : (i: number) => text[i];
  let [depth, containers, inText] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const c = at(i);
    if (inText) {
      if (c === backslash) i++;
      else if (c === quote) inText = false;
    } else if (c === quote) inText = true;
    else if (c === openBrace || c === openBracket) {
      if (++depth > limits.depth) return `expected values nested at most ${limits.depth} deep, found deeper`;
      if (++containers > limits.containers) return `expected at most ${limits.containers} lists and braces, found more`;
    } else if (c === closeBrace || c === closeBracket) depth--;
  }
  return null;
}

/** A text as JSON. Throws SyntaxError where it is none, RangeError where its shape passes the limits. */
export function parseBoundedJson(text: string, limits: JsonLimits): unknown {
  const problem = jsonShapeProblem(text, limits);
  if (problem !== null) throw new RangeError(problem);
  return JSON.parse(text) as unknown;
}
