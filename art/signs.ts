import { createRequire } from 'node:module';

/** Signs and emoji that can be searched by word and typed into any text. */

const require = createRequire(import.meta.url);
export type Sign = { sign: string; name: string; tags: string[]; group: string };

/** Group, then each sign with its name; further words to find it by after a stroke. */
const WRITTEN: Record<string, string> = {
  'arrows and pointers':
    '← arrow left|back, → arrow right|leads to, ↑ arrow up|rises, ↓ arrow down|falls, ↔ arrow both ways, ↕ arrow up and down, ↗ arrow up right|grows, ↘ arrow down right, ⇒ double arrow right|therefore, ⇔ double arrow both ways|equivalent, ↺ turn back|anticlockwise, ↻ turn round|clockwise again, ➔ heavy arrow, ➤ arrowhead, ☞ pointing hand|look here',
  'sums and measures':
    '× times|multiply, ÷ divided by, ± plus or minus, − minus, = equals, ≠ not equal, ≈ about equal|roughly, ≤ less or equal, ≥ greater or equal, ½ one half, ⅓ one third, ¼ one quarter, ¾ three quarters, ⅔ two thirds, √ square root, ² squared, ³ cubed, π pi, ∞ infinity|endless, ° degree|angle temperature, ′ minute|feet, ″ second|inches, ∠ angle, ⊥ at right angles, ∥ parallel, ∴ therefore, % per cent, ‰ per mille, ∑ sum, ∆ change|delta, µ micro, Ω ohm',
  'marks and bullets':
    '✓ tick|right correct yes, ✗ cross|wrong no, ☐ empty box|to do, ☑ ticked box|done, ☒ crossed box, ★ star|filled, ☆ hollow star, ● dot|bullet, ○ ring|bullet, ■ square, □ hollow square, ▲ triangle up, ▼ triangle down, ◆ diamond, ◇ hollow diamond, • bullet, § section, ¶ paragraph, † dagger|note, ‡ double dagger, © copyright, ® registered, ™ trade mark, № number, ♥ heart, ♦ suit diamond, ♣ suit club, ♠ suit spade, ✎ pencil, ✂ scissors|cut here, ☎ telephone, ✉ envelope',
  'weather, music, time':
    '☀ sun, ☁ cloud, ☂ umbrella|rain, ☃ snowman, ☽ moon, ♩ crotchet|quarter note, ♪ quaver|eighth note music, ♫ two quavers|music, ♭ flat, ♯ sharp, ♮ natural, ⌛ hourglass|time, ⏰ alarm clock|time',
  'languages and money':
    '¿ question upside down|spanish, ¡ exclamation upside down|spanish, « guillemet left|french quote, » guillemet right, „ low quote|german, “ quote left, ” quote right, – dash, — long dash, … dots|ellipsis, ß sharp s|german, ñ n with tilde, ç c with cedilla, æ ash, ø o with stroke, å a with ring, € euro, £ pound, ¥ yen, ¢ cent, ₹ rupee',
};

/** Groups of emojibase that suit a sheet; people, flags and parts of emoji are left out. */
const EMOJI: Record<number, string> = {
  0: 'faces',
  3: 'animals and plants',
  4: 'food',
  5: 'places',
  6: 'play and sport',
  7: 'things',
};
const UNSUITED =
  /beer|wine|sake|cocktail|champagne|clinking|tumbler|cigarette|gun|pistol|dagger|sword|knife|bomb|coffin|headstone|syringe|pill|blood|slot|die$|money|bank|euro|pound|yen|dollar|middle|kiss|pile of poo|drool|vomit|demon|devil|ogre|goblin|skull|axe|bow and arrow|hotel|lipstick|bikini|briefs|thong/i;

type Emoji = { emoji?: string; unicode?: string; label: string; tags?: string[]; group?: number; hexcode: string };

export function signs(): Sign[] {
  const written = Object.entries(WRITTEN).flatMap(([group, list]) =>
    list.split(', ').map((entry): Sign => {
      const at = entry.indexOf(' ');
      const [name, more = ''] = entry.slice(at + 1).split('|');
      return { sign: entry.slice(0, at), name, tags: more.split(' ').filter(Boolean), group };
    }),
  );
  const emojis = (require('emojibase-data/en/data.json') as Emoji[]).flatMap((emoji): Sign[] => {
    const group = EMOJI[emoji.group ?? -1];
    const sign = (emoji.emoji ?? emoji.unicode ?? '').replace(/\ufe0f/g, '');
    // One code point only, since a face has a glyph for each.
    if (!group || [...sign].length !== 1 || UNSUITED.test(emoji.label)) return [];
    return [{ sign, name: emoji.label, tags: emoji.tags ?? [], group }];
  });
  const seen = new Set<string>();
  return [...written, ...emojis].filter(({ sign }) => !seen.has(sign) && seen.add(sign));
}
