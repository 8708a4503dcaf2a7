import { boxesOn } from '../../core/handout/spots';
import type { Page } from '../../core/schema/sheet';
import type { Lit } from '../margin/light';
import { pictureNow } from './resources';

/** Light on a page from a card of the margin. */
export const litFrom = (id: string, page: Page): Lit => ({ id, page, taken: () => boxesOn(page, pictureNow) });
