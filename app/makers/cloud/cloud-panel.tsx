import { Swatch } from '../../colour/swatch';
import { Input, Progress, Slider } from 'antd';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Angles, CloudRecipe, CloudShape } from '../../../core/schema/recipes/cloud';
import { MOST_WORDS } from '../../../core/schema/recipes/cloud';
import { beyondList, readList, writtenList } from '../../../core/makers/cloud/words';
import { FaceChoice } from '../../fields/face-choice';
import type { Editor } from '../../document/editor';
import { useEditor } from '../../document/editor';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { CloudSources } from './cloud-sources';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { Notes, WordsSize } from '../kit/parts';
import { PicturePick } from '../kit/picture-pick';
import { Choice } from '../../fields/choice';
import { Check } from '../../fields/check';
import styles from './cloud.module.css';
import kitStyles from '../kit/kit.module.css';

/** A word cloud's margin card: the words, what they fill, and how they stand in it. */

const ANGLE_NAMES: Record<Angles, string> = {
  level: 'all horizontal',
  crossed: 'horizontal and vertical',
  slight: 'slightly tilted',
  any: 'at any angle',
};
const SHAPE_NAMES: Record<CloudShape['kind'], string> = {
  frame: 'its frame',
  round: 'a round',
  picture: 'a picture’s outline',
  letters: 'letters or digits',
};
const begun: Record<CloudShape['kind'], CloudShape> = {
  frame: { kind: 'frame' },
  round: { kind: 'round' },
  picture: { kind: 'picture', picture: 'silhouette/duck' },
  letters: { kind: 'letters', letters: 'A', font: 'fredoka' },
};

export function CloudPanel({ editor, group, sheet }: PanelProps) {
  const { recipe, seed, notes, put, reseed } = useMade(editor, group, 'cloud');
  return (
    <div className="cloud-panel">
      <WordList words={recipe.words} onChange={(words, keep) => put('Words', { words }, keep)} />
      <CloudSources editor={editor} group={group} onWords={(words) => put('Words', { words })} />
      <Making editor={editor} id={group.id} />
      <Notes {...{ notes, editor, group }} />
      <ShapeFields shape={recipe.shape} put={put} />
      <Choice
        row="stand"
        label="How words stand"
        value={recipe.angles}
        names={ANGLE_NAMES}
        onChange={(angles) => put('Angles', { angles })}
        width={160}
      />
      <div className={kitStyles.files}>
        <Toggle label="The same words in another arrangement" onClick={() => reseed('Another arrangement', seed + 1)}>
          rearrange
        </Toggle>
        <Toggle
          on={recipe.repeat}
          label="Set words again, small, until the shape is full"
          onClick={() => put('Fill up', { repeat: !recipe.repeat })}
        >
          fill up
        </Toggle>
      </div>
      <FontsAndColours recipe={recipe} palette={sheet.palette} put={put} />
      <Sizes recipe={recipe} put={put} />
    </div>
  );
}

type PartProps = Pick<ReturnType<typeof useMade<'cloud'>>, 'recipe' | 'put'>;

/** What the words fill: their frame, a round, a picture or letters. */
function ShapeFields({ shape, put }: { shape: CloudShape } & Pick<PartProps, 'put'>) {
  return (
    <>
      <Row label="fills">
        <Choice
          label="What the words fill"
          value={shape.kind}
          names={SHAPE_NAMES}
          onChange={(kind) => put('Shape', { shape: begun[kind] })}
          width={160}
        />
        {shape.kind === 'letters' && (
          <input
            className={`${kitStyles.text} ${styles.cloudLetters}`}
            aria-label="Letters or digits to fill"
            value={shape.letters}
            maxLength={6}
            onChange={(event) =>
              event.target.value && put('Shape', { shape: { ...shape, letters: event.target.value } }, 'soon')
            }
          />
        )}
      </Row>
      {shape.kind === 'letters' && (
        <Row label="">
          <FaceChoice
            label="Face of the letters that are filled"
            value={shape.font}
            width={160}
            onChange={(font) => put('Shape', { shape: { ...shape, font } })}
          />
        </Row>
      )}
      {shape.kind === 'picture' && (
        <PicturePick
          label="a word for it: crab, castle, leaf …"
          groups={['silhouettes']}
          chosen={shape.picture}
          onChoose={({ id }) => put('Shape', { shape: { kind: 'picture', picture: id } })}
        />
      )}
    </>
  );
}

function FontsAndColours({ recipe, palette, put }: PartProps & { palette: readonly string[] }) {
  return (
    <More title="Fonts and colours">
      <Row label="fonts">
        <FaceChoice
          mode="multiple"
          label="Fonts"
          value={recipe.font}
          maxCount={6}
          onChange={(font) => font.length > 0 && put('Fonts', { font })}
        />
      </Row>
      <Check checked={recipe.bold} onChange={(on) => put('Bold', { bold: on })}>
        Bold
      </Check>
      <Row label="colours">
        <span className={kitStyles.cloudColours} role="group" aria-label="Colours of words">
          {[...new Set([...palette, ...recipe.colours])].map((hex) => {
            const on = recipe.colours.includes(hex);
            return (
              <Swatch
                key={hex}
                colour={hex}
                out={!on}
                aria-pressed={on}
                aria-label={hex}
                title={on ? `${hex}: words have this colour` : hex}
                onClick={() => {
                  const colours = on ? recipe.colours.filter((one) => one !== hex) : [...recipe.colours, hex];
                  if (colours.length > 0 && colours.length <= 10) put('Colours', { colours });
                }}
              />
            );
          })}
        </span>
      </Row>
      <Choice
        row="colour"
        label="What a colour tells"
        value={recipe.tint}
        names={{ mixed: 'mixed', weight: 'tells the weight' }}
        onChange={(tint) => put('Colours', { tint })}
        width={140}
      />
    </More>
  );
}

const Sizes = ({ recipe, put }: PartProps) => (
  <More title="Sizes">
    <Row label="weights">
      <Slider
        min={0}
        max={1}
        step={0.05}
        value={recipe.spread}
        tooltip={{
          formatter: (value) => (value === 0 ? 'all words alike' : `${Math.round((value ?? 0) * 100)} %`),
        }}
        ariaLabelForHandle="How much larger heavier words are"
        onChange={(spread: number) => put('Weights', { spread }, 'soon')}
      />
    </Row>
    <Row label="room">
      <Slider
        min={0}
        max={0.5}
        step={0.02}
        value={recipe.air}
        tooltip={{ formatter: null }}
        ariaLabelForHandle="Room around words"
        onChange={(air: number) => put('Room', { air }, 'soon')}
      />
    </Row>
    <Row label="at least">
      <WordsSize size={recipe.size} onChange={put} />
    </Row>
    <Check checked={recipe.wrap} onChange={(on) => put('Lines', { wrap: on })}>
      Long phrases in two lines
    </Check>
  </More>
);

/** The words as typed. They are read as a list each time, and rewritten only when they change elsewhere. */
function WordList({
  words,
  onChange,
}: {
  words: CloudRecipe['words'];
  onChange: (words: CloudRecipe['words'], keep: 'soon') => void;
}) {
  const written = writtenList(words);
  const [typed, setTyped] = useState(written);
  const [read, setRead] = useState(written);
  if (read !== written) {
    setRead(written);
    if (writtenList(readList(typed)) !== written) setTyped(written);
  }
  const beyond = useMemo(() => beyondList(typed), [typed]);
  return (
    <>
      <Input.TextArea
        className={styles.cloudWords}
        aria-label="Words, one in a line, with their weights"
        placeholder={'salt marsh: 12\ntide: 10\nheron'}
        value={typed}
        autoSize={{ minRows: 4, maxRows: 11 }}
        onChange={(event) => {
          setTyped(event.target.value);
          onChange(readList(event.target.value), 'soon');
        }}
      />
      {beyond.length > 0 && (
        <p className="quiet" role="status">
          A cloud takes {MOST_WORDS} words. Left out: {beyond.slice(0, 6).join(', ')}
          {beyond.length > 6 && ` and ${beyond.length - 6} more`}.
        </p>
      )}
    </>
  );
}

/** The progress of a slow cloud, and a button to stop it. */
function Making({ editor, id }: { editor: Editor; id: string }) {
  const share = useEditor(
    editor,
    useCallback((now: Editor) => now.making?.progress.get(id) ?? null, [id]),
  );
  const going = share !== null;
  useEffect(() => {
    if (!going) return;
    const stop = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      editor.making?.stop(id);
    };
    window.addEventListener('keydown', stop, true);
    return () => window.removeEventListener('keydown', stop, true);
  }, [editor, id, going]);
  if (share === null) return null;
  return (
    <p className={styles.madeMaking} role="status">
      <Progress
        percent={Math.round(share * 100)}
        size="small"
        showInfo={false}
        strokeColor="var(--moss)"
        aria-label="How far it is"
      />
      <Toggle label="Stop (Escape); all stays as it was" onClick={() => editor.making?.stop(id)}>
        stop
      </Toggle>
    </p>
  );
}
