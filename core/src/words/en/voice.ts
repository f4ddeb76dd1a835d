/** The English voice: every sentence from its code and figures, with figures as the reader wants them. */
import { NOTE_PHRASES } from '../../criteria/limit-notes';
import { RULES } from '../../criteria/rules';
import { figureFormat } from '../../quantities/figure-format';
import type { FigureChoice } from '../../quantities/figure-format';
import { FAULTS, OBSERVATIONS, TESTS } from '../../trade/tables';
import { messageOf } from '../../format/message';
import type { Message, Phrase, PhraseTable, StoredMessage, Voice } from '../../format/message';
import { valueWords } from './readings';
import { SENTENCES, stepInside } from './sentences';

/** All tables of sentences: the stages' own, and those that stand with each thing of the trade. */
export const phraseTables = (): readonly PhraseTable[] => {
  const rules: readonly { readonly phrases?: PhraseTable }[] = Object.values(RULES);
  const tables = [...rules, ...Object.values(TESTS), ...Object.values(OBSERVATIONS)].map(({ phrases }) => phrases);
  return [...Object.values(SENTENCES), NOTE_PHRASES, ...tables.filter((table) => table !== undefined)];
};

let sentences: ReadonlyMap<string, Phrase<never>> | null = null;
const sentenceOf = (code: string): Phrase<never> | undefined =>
  (sentences ??= new Map(phraseTables().flatMap((table) => Object.entries(table)))).get(code);

/**
 * How everything is said to one reader in English.
 *
 * @param choice How this reader wants figures written: decimal sign, °C or °F; plain where nothing is told.
 * @throws Error, when it speaks, for a message whose code has no sentence.
 */
export function englishVoice(choice?: FigureChoice): Voice {
  const figures = figureFormat(choice);
  const voice: Voice = {
    ...figures,
    step: stepInside,
    fault: (name) => FAULTS[name].name,
    value: (test, value) => valueWords(test, value, figures),
    range: (test, { min, max }) => {
      if (min === undefined) return max === undefined ? 'any' : `at most ${voice.value(test, max)}`;
      return max === undefined
        ? `at least ${voice.value(test, min)}`
        : `${voice.value(test, min)} to ${voice.value(test, max)}`;
    },
    say: ({ code, params }: Message) => {
      const sentence = sentenceOf(code);
      if (!sentence) throw new RangeError(`no sentence has the code ${code}`);
      return sentence(params as never, voice);
    },
  };
  return voice;
}

/**
 * A stored sentence told again with this reader's figures; as it was written where it comes from a version
 * whose code this one does not know.
 */
export const retell = (
  { because, code, with: params }: { readonly because: string } & Partial<StoredMessage>,
  voice: Voice,
): string =>
  code !== undefined && params !== undefined && sentenceOf(code)
    ? voice.say(messageOf({ code, with: params }))
    : because;

/** What files, logs and the command line are written with. */
export const ENGLISH: Voice = englishVoice();
