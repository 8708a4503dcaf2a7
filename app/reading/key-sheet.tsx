import type { KeyPart } from '../parts/key-list';
import { KeyList } from '../parts/key-list';

const PARTS: readonly KeyPart[] = [
  {
    title: 'What is asked',
    rows: [
      { keys: 'Y', says: 'the look-for that is asked about is met' },
      { keys: 'N', says: 'it is not met' },
      { keys: '0 to 9', says: 'the level of the rubric with so many points' },
      { keys: '↑ · ↓', says: 'ask about another look-for or row' },
      { keys: 'Tab', says: 'go from part to part of the piece; Enter or W writes a note on it' },
      { keys: 'W', says: 'write a note where the pointer is' },
      { keys: '↓', says: 'in a note: the phrases that fit, taken with Enter' },
      { keys: 'L', says: 'the last note again, where the pointer is' },
      { keys: 'D', says: 'draw on the piece, or stop; Ctrl+Z takes the last stroke away' },
    ],
  },
  {
    title: 'This piece',
    rows: [
      { keys: 'R', says: 'return it as done, or as its second reader finish it, and go on' },
      { keys: 'A', says: 'return it for another go, and go on' },
      { keys: 'T', says: 'take it back after it was returned' },
      { keys: 'V', says: 'show the sheet as handed out, the key, how it grew, the piece again' },
    ],
  },
  {
    title: 'The class',
    rows: [
      { keys: '← · →', says: 'the piece before or after' },
      { keys: 'H', says: 'hide names, in an order that tells nothing of them, or show them' },
      { keys: '?', says: 'this list' },
    ],
  },
];

/** The keys of reading. */
export default function ReadingKeySheet({ onClose }: { onClose: () => void }) {
  return <KeyList parts={PARTS} onClose={onClose} />;
}
