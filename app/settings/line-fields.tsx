import { isHold } from '../../core/items/hit';
import { lineEnds } from '../../core/placement/line';
import { free, LIGHT_EDGE } from '../../core/schema/defaults';
import { itemName } from '../../core/items/name';
import type { LineItem } from '../../core/schema/sheet';
import { inCommon, shared } from '../../core/text/common';
import { CAPS } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { Swatches } from '../colour/swatches';
import { setValues } from '../commands/set-values';
import { PercentField } from '../fields/number-field';
import { Row } from '../parts/row';
import { Choice } from '../fields/choice';
import { Segments } from '../fields/segments';

/** Settings of lines. */

const CAP_NAMES: Record<(typeof CAPS)[number], string> = {
  none: 'bare',
  arrow: 'arrow',
  open: 'open arrow',
  dot: 'dot',
  ring: 'ring',
  bar: 'bar',
  square: 'square',
};

export function LineFields({ editor, items }: { editor: Editor; items: readonly LineItem[] }) {
  const [item] = items;
  const line = inCommon(items);
  return (
    <>
      <Row label="route">
        <Segments
          label="Route of the line"
          value={line.route ?? null}
          onChange={(route) => setValues(editor, 'Way of line', { route })}
          options={['straight', 'stepped', 'curved']}
        />
      </Row>
      <Row label="ends">
        {(['startCap', 'endCap'] as const).map((side) => (
          <Choice
            key={side}
            label={side === 'startCap' ? 'Start' : 'End'}
            value={line[side]}
            placeholder="Mixed"
            onChange={(cap) => setValues(editor, 'Line end', { [side]: cap })}
            names={CAP_NAMES}
            width={104}
          />
        ))}
      </Row>
      <Swatches
        label="light edge"
        value={shared(items.map(({ edge }) => edge))}
        palette={[LIGHT_EDGE, ...editor.sheet.palette]}
        none="no light edge"
        onChange={(edge) => setValues(editor, 'Light edge', { edge })}
      />
      {items.every(({ route }) => route !== 'straight') && (
        <Row label="bend">
          <PercentField
            bare
            label="bend"
            share={line.bend}
            onChange={(bend) => setValues(editor, 'Bend line', { bend })}
          />
        </Row>
      )}
      {items.length === 1 && (
        <>
          {(['from', 'to'] as const).map((side) => (
            <HoldField key={side} editor={editor} item={item} side={side} />
          ))}
          <p className="quiet">Or pull an end to a box or a part of a diagram on the sheet.</p>
        </>
      )}
    </>
  );
}

/** What an end of a line is attached to, set without a pointer. */
function HoldField({ editor, item, side }: { editor: Editor; item: LineItem; side: 'from' | 'to' }) {
  const end = item[side];
  const holds = editor.page.items.filter((other) => isHold(other) && !other.hidden).slice(0, 200);
  const options = holds.flatMap((other) => [
    { value: `${other.id} `, label: itemName(other) },
    ...(other.kind === 'picture' ? (pictureNow(other.picture)?.targets ?? []) : []).map(({ name }, i) => ({
      value: `${other.id} ${name}`,
      label: `${itemName(other)}: ${name.startsWith('@') ? `part ${i + 1}` : name}`,
    })),
  ]);
  const value = end.item === null ? '' : `${end.item} ${end.target ?? ''}`;
  if (value && !options.some((option) => option.value === value)) {
    const held = findOn(editor.page, end.item!)?.item;
    const part = end.target && !end.target.startsWith('@') ? `: ${end.target}` : '';
    options.unshift({
      value,
      label: held ? `${itemName(held)}${part || (end.target ? ': a spot on it' : '')}` : 'Something deleted',
    });
  }
  return (
    <Row label={side}>
      <Choice
        label={side === 'from' ? 'Begins at' : 'Ends at'}
        asIs
        value={value}
        options={[{ value: '', label: 'Nothing' }, ...options]}
        onChange={(chosen) => {
          const at = lineEnds(editor.page, item, pictureNow)[side];
          const [id, ...target] = chosen.split(' ');
          const name = target.join(' ');
          const next = id ? { ...at, item: id, target: name || null } : free(at.x, at.y);
          setValues(editor, 'Lead line', { [side]: next });
        }}
      />
    </Row>
  );
}
