import { KeyList } from '../parts/key-list';

/** The keys of looking at one spot. */
export default function SpotKeySheet({ onClose }: { onClose: () => void }) {
  return (
    <KeyList
      parts={[
        {
          title: 'These answers',
          rows: [
            { keys: 'Y', says: 'right on all of them, or the look-for met' },
            { keys: 'N', says: 'not right, or not met' },
            { keys: '0 to 9', says: 'the level of the rubric with so many points' },
            { keys: 'W', says: 'write one note for all of them' },
            { keys: '↑ · ↓', says: 'the answers above or below' },
          ],
        },
        {
          title: 'The sheet',
          rows: [
            { keys: '← · →', says: 'the spot before or after' },
            { keys: '?', says: 'this list' },
          ],
        },
      ]}
      onClose={onClose}
    />
  );
}
