import { cutTo } from '../../core/text/characters';
import { Checkbox, Input, InputNumber, Select } from 'antd';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { keyOf } from '../../core/handout/copy';
import type { LookFor, LookForOf, Result } from '../../core/lookfors/lookfor';
import { firstMapKey } from '../../core/lookfors/rekey';
import type { Spelling } from '../../core/lookfors/spelling';
import { roleIds } from '../../core/sheet/make';
import { itemName } from '../../core/sheet/name';
import type { Sheet } from '../../core/sheet/schema';
import { isWritten } from '../../core/sheet/schema';
import { everyItem, find } from '../../core/sheet/tree';

/** Choosing what to look for. Each is tried at once on the teacher's own sheet. */

const KIND_NAMES: Record<LookFor['kind'], string> = {
  labels: 'labels on their parts',
  words: 'a number of words',
  style: 'words in a style',
  items: 'a number of things',
  name: 'the own name',
  map: 'a concept map like mine',
  teacher: 'something I judge',
  unknown: 'something of a newer program',
};

/** What can be chosen: one that this program does not know is only kept. */
const OFFERED = (Object.keys(KIND_NAMES) as LookFor['kind'][]).filter((kind) => kind !== 'unknown');

const id = () => nanoid(8);
const writable = (sheet: Sheet) => [...everyItem(sheet)].filter((item) => isWritten(item) && item.touch !== 'fixed');

/** A new look-for of a kind, filled from the sheet; null with the reason where the sheet has nothing for it. */
function begin(kind: LookFor['kind'], sheet: Sheet): LookFor | string {
  switch (kind) {
    case 'labels': {
      const [key] = keyOf(sheet);
      if (!key) return 'There is no blank label with a line to a part of a diagram on this sheet.';
      return { kind, id: id(), title: 'Every part has its name', tell: 'filled', spelling: 'near', ...key };
    }
    case 'words': {
      const boxes = writable(sheet).filter((item) => item.kind === 'text' && !item.blank && item.role !== 'name');
      return {
        kind,
        id: id(),
        title: 'At least 15 words of your own',
        tell: 'result',
        item: boxes[0]?.id ?? null,
        min: 15,
      };
    }
    case 'style':
      return {
        kind,
        id: id(),
        title: 'Headings are bold',
        tell: 'result',
        role: sheet.roles.heading ? 'heading' : (roleIds(sheet.roles)[0] ?? 'body'),
        bold: true,
        italic: null,
        colour: null,
      };
    case 'items':
      return { kind, id: id(), title: 'At least three pictures', tell: 'result', item: 'picture', min: 3 };
    case 'name':
      return {
        kind,
        id: id(),
        title: 'Your name',
        tell: 'result',
        item: [...everyItem(sheet)].find((item) => item.role === 'name' && item.touch !== 'fixed')?.id ?? null,
      };
    case 'map': {
      const key = firstMapKey(sheet);
      if (!key)
        return 'There is no concept map on this sheet. Make one, and mark it as the answer key if students are not to see it.';
      return {
        kind,
        id: id(),
        title: `The map shows these ${key.links.length} links`,
        tell: 'filled',
        spelling: 'near',
        direction: false,
        words: false,
        ...key,
      };
    }
    case 'teacher':
      return { kind, id: id(), title: 'Neat and easy to read', tell: 'after' };
    case 'unknown':
      return 'This program does not know it.';
  }
}

/** What a sheet most likely wants looked for. */
export function suggested(sheet: Sheet): LookFor[] {
  const out: LookFor[] = [];
  const add = (kind: LookFor['kind']) => {
    const made = begin(kind, sheet);
    if (typeof made !== 'string') out.push(made);
  };
  if ([...everyItem(sheet)].some((item) => item.role === 'name' && item.touch !== 'fixed')) add('name');
  add('labels');
  const box = writable(sheet).find((item) => item.kind === 'text' && !item.blank && item.role !== 'name');
  if (box) add('words');
  return out;
}

type Props = {
  sheet: Sheet;
  lookFors: LookFor[];
  tried: Result[];
  onChange: (lookFors: LookFor[]) => void;
  onRefuse: (reason: string) => void;
};

export function LookForEdit({ sheet, lookFors, tried, onChange, onRefuse }: Props) {
  const set = (index: number, patch: Partial<LookFor>) =>
    onChange(lookFors.map((lookFor, i) => (i === index ? ({ ...lookFor, ...patch } as LookFor) : lookFor)));
  return (
    <div className="lookfor-edit">
      {lookFors.map((lookFor, i) => (
        <div key={lookFor.id} className="lookfor-row">
          <div className="lookfor-line">
            <Input
              size="small"
              value={lookFor.title}
              aria-label="What you will look for, as students read it"
              onChange={(event) => set(i, { title: event.target.value })}
            />
            <button
              type="button"
              className="plainbtn"
              aria-label={`Take away: ${lookFor.title}`}
              onClick={() => onChange(lookFors.filter((_, j) => j !== i))}
            >
              ✕
            </button>
          </div>
          <div className="lookfor-line">
            <Settings lookFor={lookFor} sheet={sheet} set={(patch) => set(i, patch)} />
          </div>
          <div className="lookfor-line">
            {lookFor.kind !== 'teacher' && (
              <Select
                size="small"
                aria-label="What students are told while they work"
                value={lookFor.tell}
                style={{ width: 200 }}
                onChange={(tell) => set(i, { tell })}
                options={[
                  { value: 'result', label: 'students see the count' },
                  { value: 'filled', label: 'students see what is filled' },
                  { value: 'after', label: 'told when returned' },
                ]}
              />
            )}
            <span className="quiet lookfor-tried">{triedWords(tried[i])}</span>
          </div>
        </div>
      ))}
      <Select
        size="small"
        aria-label="Look for something more"
        value={null}
        placeholder="Look for something more …"
        style={{ width: '100%' }}
        onChange={(kind: LookFor['kind'] | null) => {
          const made = kind && begin(kind, sheet);
          if (typeof made === 'string') onRefuse(made);
          else if (made) onChange([...lookFors, made]);
        }}
        options={OFFERED.map((value) => ({ value, label: KIND_NAMES[value] }))}
      />
    </div>
  );
}

function triedWords(result: Result | undefined): string {
  if (!result) return '';
  if (result.held === null) return 'you tick this while reading';
  return `on yours: ${result.got} of ${result.need}`;
}

function Settings({ lookFor, sheet, set }: { lookFor: LookFor; sheet: Sheet; set: (patch: Partial<LookFor>) => void }) {
  switch (lookFor.kind) {
    case 'labels':
      return (
        <>
          <span className="quiet">{lookFor.expect.length} parts, spelling</span>
          <SpellingChoice spelling={lookFor.spelling} onChange={(spelling) => set({ spelling })} />
        </>
      );
    case 'words':
      return (
        <>
          <InputNumber
            size="small"
            min={1}
            max={500}
            value={lookFor.min}
            aria-label="How many words"
            style={{ width: 66 }}
            onChange={(min) => min && set({ min })}
          />
          <span className="quiet">words in</span>
          <Select
            size="small"
            aria-label="Where the words are counted"
            value={lookFor.item ?? ''}
            style={{ flex: 1, minWidth: 0 }}
            onChange={(item) => set({ item: item || null })}
            options={[
              { value: '', label: 'all they may write in' },
              ...writable(sheet).map((item) => ({ value: item.id, label: itemName(item) })),
            ]}
          />
        </>
      );
    case 'style':
      return (
        <>
          <Select
            size="small"
            aria-label="Role"
            value={lookFor.role}
            style={{ width: 110 }}
            onChange={(role) => set({ role })}
            options={roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name }))}
          />
          <Select
            size="small"
            aria-label="Style"
            value={lookFor.bold ? 'bold' : lookFor.italic ? 'italic' : 'plain'}
            style={{ width: 90 }}
            onChange={(style) =>
              set({ bold: style === 'bold' ? true : null, italic: style === 'italic' ? true : null })
            }
            options={[
              { value: 'bold', label: 'bold' },
              { value: 'italic', label: 'italic' },
              { value: 'plain', label: 'any' },
            ]}
          />
          <Select
            size="small"
            aria-label="Colour"
            value={lookFor.colour ?? ''}
            style={{ width: 92 }}
            onChange={(colour) => set({ colour: colour || null })}
            options={[
              { value: '', label: 'any colour' },
              ...sheet.palette.map((hex) => ({ value: hex, label: <span style={{ color: hex }}>■ {hex}</span> })),
            ]}
          />
        </>
      );
    case 'items':
      return (
        <>
          <span className="quiet">at least</span>
          <InputNumber
            size="small"
            min={1}
            max={500}
            value={lookFor.min}
            aria-label="How many"
            style={{ width: 62 }}
            onChange={(min) => min && set({ min })}
          />
          <Select
            size="small"
            aria-label="Of what"
            value={lookFor.item}
            style={{ width: 110 }}
            onChange={(item) => set({ item })}
            options={[
              { value: 'picture', label: 'pictures' },
              { value: 'shape', label: 'shapes' },
              { value: 'text', label: 'texts' },
              { value: 'line', label: 'lines' },
            ]}
          />
        </>
      );
    case 'name': {
      const item = lookFor.item === null ? undefined : find(sheet, lookFor.item)?.item;
      return <span className="quiet">{item ? `on “${itemName(item)}”` : 'anywhere they may write'}</span>;
    }
    case 'map':
      return <MapSettings lookFor={lookFor} set={set} />;
    case 'teacher':
    case 'unknown':
      return null;
  }
}

function SpellingChoice({ spelling, onChange }: { spelling: Spelling; onChange: (spelling: Spelling) => void }) {
  return (
    <Select
      size="small"
      aria-label="How exact the spelling has to be"
      value={spelling}
      style={{ width: 150 }}
      onChange={onChange}
      options={[
        { value: 'exact', label: 'has to be right' },
        { value: 'near', label: 'a slip is all right' },
        { value: 'loose', label: 'by its sound' },
      ]}
    />
  );
}

type MapLookFor = LookForOf<'map'>;

function MapSettings({ lookFor, set }: { lookFor: MapLookFor; set: (patch: Partial<LookFor>) => void }) {
  /** As it is typed, with a comma at its end. */
  const [typedNow, setTyped] = useState<Record<string, string>>({});
  const also = (i: number, typed: string) => {
    setTyped({ ...typedNow, [lookFor.concepts[i].id]: typed });
    const others = typed
      .split(/[,;]/)
      .map((word) => cutTo(word.trim(), 300))
      .filter(Boolean)
      .slice(0, 19);
    const [first] = lookFor.concepts[i].words;
    set({ concepts: lookFor.concepts.map((one, n) => (n === i ? { ...one, words: [first, ...others] } : one)) });
  };
  return (
    <div className="map-lookfor">
      <div className="lookfor-line">
        <span className="quiet">
          {lookFor.concepts.length} concepts, {lookFor.links.length} links, spelling
        </span>
        <SpellingChoice spelling={lookFor.spelling} onChange={(spelling) => set({ spelling })} />
      </div>
      <Checkbox checked={lookFor.direction} onChange={(event) => set({ direction: event.target.checked })}>
        arrows have to point the right way
      </Checkbox>
      <Checkbox checked={lookFor.words} onChange={(event) => set({ words: event.target.checked })}>
        links have to say the same
      </Checkbox>
      <details>
        <summary>other words that count</summary>
        {lookFor.concepts.map(({ id: concept, words }, i) => (
          <label key={concept} className="lookfor-line">
            <span className="map-concept">{words[0]}</span>
            <Input
              size="small"
              value={typedNow[concept] ?? words.slice(1).join(', ')}
              placeholder="none; separate them by commas"
              onChange={(event) => also(i, event.target.value)}
            />
          </label>
        ))}
      </details>
    </div>
  );
}
