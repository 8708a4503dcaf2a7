import { Checkbox, Slider } from 'antd';
import type { PointerEvent } from 'react';
import { useEffect, useRef, useState } from 'react';
import { clearedId } from '../../core/pictures/picture';
import type { Clearing, Stroke } from '../../core/raster/recipe';
import { CLEARING } from '../../core/raster/limits';
import type { PictureItem } from '../../core/schema/sheet';
import { howMany } from '../../core/values/listed';
import { set } from '../commands/steps';
import type { Editor } from '../document/editor';
import { clearing as helper } from '../document/helpers';
import { imageUrl, loadMade, pictureNow } from '../drawing/resources';
import { Segments } from '../fields/segments';
import { Action } from '../parts/action';
import { Ask } from '../parts/ask';
import { Row } from '../parts/row';
import { clearPicture } from '../pictures/picture-index';
import styles from './clearing.module.css';

/** Takes the background of a picture away: by what reaches its edge, by spots that are touched, and by a brush. */

const FIRST: Clearing = { border: true, spots: [], tolerance: 0.18, soft: 0.2, strokes: [] };
/** What was begun and not used is there when the dialog opens again, by the item. */
const begun = new Map<string, Clearing>();

type Tool = 'spot' | 'erase' | 'restore';
const TOOLS: { value: Tool; label: string }[] = [
  { value: 'spot', label: 'touch' },
  { value: 'erase', label: 'erase' },
  { value: 'restore', label: 'bring back' },
];
type Ground = 'checks' | 'light' | 'dark';
const GROUNDS: { value: Ground; label: string }[] = [
  { value: 'checks', label: 'pattern' },
  { value: 'light', label: 'white' },
  { value: 'dark', label: 'dark' },
];

/** A new point of a stroke lies at least so far from the last, as a share. */
const STEP = 0.0025;
const share = (value: number) => Math.round(value * 1e4) / 1e4;
const isNothing = ({ border, spots, strokes }: Clearing) => !border && spots.length === 0 && strokes.length === 0;

export function ClearDialog({ editor, item, onEnd }: { editor: Editor; item: PictureItem; onEnd: () => void }) {
  const drawn = pictureNow(item.picture);
  const file = drawn?.raster && imageUrl(drawn.raster.whole);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [recipe, setRecipe] = useState<Clearing>(() => begun.get(item.id) ?? item.clearing ?? FIRST);
  const [undone, setUndone] = useState<Clearing[]>([]);
  const [tool, setTool] = useState<Tool>('spot');
  const [size, setSize] = useState(0.06);
  const [ground, setGround] = useState<Ground>('checks');
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const shown = stroke ? { ...recipe, strokes: [...recipe.strokes, stroke] } : recipe;

  // The last that was asked for is drawn; what came between is passed over.
  const wanted = useRef(shown);
  wanted.current = shown;
  const drawing = useRef(false);
  const done = useRef<Clearing | null>(null);
  useEffect(() => {
    if (drawing.current || !file || done.current === wanted.current) return;
    drawing.current = true;
    void (async () => {
      while (done.current !== wanted.current) {
        const next: Clearing = wanted.current;
        try {
          const bitmap = await helper.ask((worker) => worker.cleared(file, next));
          const context = canvas.current?.getContext('2d');
          if (context) {
            Object.assign(context.canvas, { width: bitmap.width, height: bitmap.height });
            context.drawImage(bitmap, 0, 0);
          }
          bitmap.close();
        } catch {
          setProblem('The picture can’t be loaded just now. Close this and try again when the network is back.');
        }
        done.current = next;
      }
      drawing.current = false;
    })();
  });

  const change = (next: Clearing) => {
    begun.set(item.id, next);
    setUndone((old) => [...old.slice(-99), recipe]);
    setRecipe(next);
    setProblem(null);
  };
  const pointOf = ({ clientX, clientY, currentTarget }: PointerEvent) => {
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    return { x: share((clientX - left) / width), y: share((clientY - top) / height) };
  };
  const within = ({ x, y }: { x: number; y: number }) => ({
    x: Math.max(0, Math.min(1, x)),
    y: Math.max(0, Math.min(1, y)),
  });

  async function apply() {
    setBusy(true);
    const clearing = isNothing(recipe) ? null : recipe;
    if (clearing) {
      const went = await clearPicture(item.picture, clearing);
      if (went !== null) {
        setBusy(false);
        return setProblem(`${went} What you did is kept.`);
      }
      await loadMade(clearedId(item.picture, clearing));
    }
    if (!editor.make('Background', set(item.id, { clearing }))) return setBusy(false);
    begun.delete(item.id);
    onEnd();
  }

  return (
    <Ask
      title="Take the background away"
      wide
      ok={{ words: busy ? 'Working …' : 'Use it', act: () => void apply(), disabled: busy || !file }}
      onCancel={onEnd}
    >
      <div className={styles.room}>
        <div className={`${styles.ground} ${styles[ground]}`}>
          <canvas
            ref={canvas}
            className={styles.picture}
            aria-label="What is left of the picture. Press on what is to go, or use the brush."
            onPointerDown={(event) => {
              if (event.button !== 0) return;
              const at = pointOf(event);
              if (tool === 'spot') {
                if (recipe.spots.length >= CLEARING.spots)
                  return setProblem('That is as many spots as there can be. Use the brush for the rest.');
                return change({ ...recipe, spots: [...recipe.spots, within(at)] });
              }
              if (recipe.strokes.length >= CLEARING.strokes)
                return setProblem('That is as many strokes as there can be. Undo some, or draw longer ones.');
              event.currentTarget.setPointerCapture(event.pointerId);
              setStroke({ erases: tool === 'erase', size, points: [at.x, at.y] });
            }}
            onPointerMove={(event) => {
              if (!stroke) return;
              const { x, y } = pointOf(event);
              const [lastX, lastY] = stroke.points.slice(-2);
              const outside = x < -0.4 || x > 1.4 || y < -0.4 || y > 1.4;
              if (outside || Math.hypot(x - lastX, y - lastY) < STEP) return;
              if (stroke.points.length >= 2 * CLEARING.points) return;
              setStroke({ ...stroke, points: [...stroke.points, x, y] });
            }}
            onPointerUp={() => {
              if (!stroke) return;
              change({ ...recipe, strokes: [...recipe.strokes, stroke] });
              setStroke(null);
            }}
            onPointerCancel={() => setStroke(null)}
          />
        </div>
        <div className={styles.tools}>
          <Checkbox checked={recipe.border} onChange={({ target }) => change({ ...recipe, border: target.checked })}>
            What reaches the edge goes
          </Checkbox>
          <Row label="with a press">
            <Segments label="What a press does" options={TOOLS} value={tool} onChange={setTool} />
          </Row>
          <p className="quiet">
            {tool === 'spot'
              ? 'Press on a part of the background that is still there.'
              : tool === 'erase'
                ? 'Draw over what is to go.'
                : 'Draw over what is to come back.'}
          </p>
          {tool !== 'spot' && (
            <Row label="brush">
              <Slider
                min={0.5}
                max={30}
                step={0.5}
                value={size * 100}
                ariaLabelForHandle="Size of the brush"
                tooltip={{ formatter: (value) => `${value} %` }}
                onChange={(value) => setSize(value / 100)}
              />
            </Row>
          )}
          <Row label="tolerance">
            <Slider
              min={0}
              max={100}
              value={Math.round(recipe.tolerance * 100)}
              ariaLabelForHandle="How unlike a colour may be and still go"
              onChange={(value) => change({ ...recipe, tolerance: value / 100 })}
            />
          </Row>
          <Row label="soft edge">
            <Slider
              min={0}
              max={100}
              value={Math.round(recipe.soft * 100)}
              ariaLabelForHandle="How soft the edge is"
              onChange={(value) => change({ ...recipe, soft: value / 100 })}
            />
          </Row>
          <Row label="seen on">
            <Segments label="What the picture is seen on" options={GROUNDS} value={ground} onChange={setGround} />
          </Row>
          <p className={styles.steps}>
            <Action
              disabled={undone.length === 0}
              onClick={() => {
                const last = undone.at(-1)!;
                begun.set(item.id, last);
                setUndone(undone.slice(0, -1));
                setRecipe(last);
              }}
            >
              undo
            </Action>
            <Action onClick={() => change(FIRST)}>start over</Action>
            <Action onClick={() => change({ ...FIRST, border: false })}>all of it back</Action>
            {recipe.strokes.length > 0 && <span className="quiet">{howMany(recipe.strokes.length, 'stroke')}</span>}
          </p>
          {problem && (
            <p role="alert" className={styles.problem}>
              {problem}
            </p>
          )}
        </div>
      </div>
    </Ask>
  );
}
