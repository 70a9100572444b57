import { XMLParser, XMLValidator, type X2jOptions } from 'fast-xml-parser';
import { FormatError } from './format-error';

/** Deepest nesting that a file of places has a use for. */
const mostDeep = 60;

/**
 * Reads XML of one format by its well-known parser. Throws FormatError for text that is not well-formed, that declares entities (nothing outside a
 * file is ever read for it), or that is nested deeper than places are.
 * @param format what the file should be, for the message
 */
export function readXml(text: string, format: string, options: X2jOptions): Record<string, unknown> {
  const doctype = /<!DOCTYPE[^>[]*(\[[^]*?\]\s*)?>/i.exec(text)?.[0];
  if (doctype !== undefined && /<!ENTITY|\bSYSTEM\b|\bPUBLIC\b/i.test(doctype))
    throw new FormatError(lineOf(text, text.indexOf(doctype)), `expected ${format} without declared entities, found a document type that names some`);
  const deep = deeperThan(text, mostDeep);
  if (deep !== null) throw new FormatError(lineOf(text, deep), `expected ${format} nested at most ${mostDeep} deep, found deeper`);
  const valid = XMLValidator.validate(text);
  if (valid !== true) throw new FormatError(valid.err.line, `expected ${format}, found text that is not well-formed XML: ${valid.err.msg}`);
  try {
    return new XMLParser(options).parse(text) as Record<string, unknown>;
  } catch (error) {
    throw new FormatError(null, `expected ${format}, found XML that cannot be read: ${(error as Error).message.split('\n')[0]}`);
  }
}

const lineOf = (text: string, index: number) => text.slice(0, Math.max(0, index)).split('\n').length;

/** Where elements are nested deeper than `most`; null where they are not. */
function deeperThan(text: string, most: number): number | null {
  let depth = 0;
  for (const tag of text.matchAll(/<!--[^]*?-->|<!\[CDATA\[[^]*?\]\]>|<(\/?)[A-Za-z_][^>]*?(\/?)>/g)) {
    if (tag[1] === undefined || tag[2] === '/') continue;
    depth += tag[1] === '/' ? -1 : 1;
    if (depth > most) return tag.index;
  }
  return null;
}
