import { describeOptions, FORMATS, valueOfText, type Format } from '@pace-line/core';
import { UsageError } from './errors.ts';

/** Options of `--set name=value`, each read as the kind of value that the format asks for. */
export function givenOptions(format: Format, settings: readonly string[]): Record<string, unknown> {
  const known = new Map(describeOptions(format).map((option) => [option.key, option]));
  return Object.fromEntries(
    settings.map((setting): [string, unknown] => {
      const at = setting.indexOf('=');
      if (at <= 0) throw new UsageError(`--set is written NAME=VALUE, not "${setting}"`);
      const key = setting.slice(0, at);
      const text = setting.slice(at + 1);
      const kind = known.get(key)?.kind;
      const value = valueOfText(kind, text);
      if (kind === 'switch' && typeof value !== 'boolean')
        throw new UsageError(`--set ${key} is true or false, not "${text}"`);
      if (kind === 'number' && typeof value !== 'number')
        throw new UsageError(`--set ${key} is a number, not "${text}"`);
      return [key, value];
    }),
  );
}

/** The formats and their options, for `--help`. */
export const formatsHelp = (): string =>
  FORMATS.map((format) => {
    const options = describeOptions(format).map(
      ({ key, about, fallback, choices }) =>
        `      --set ${key}=${choices ? choices.join('|') : JSON.stringify(fallback)}  ${about}`,
    );
    return [`  ${format.id.padEnd(14)} ${format.about}`, ...options].join('\n');
  }).join('\n');
