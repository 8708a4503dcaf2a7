import type { Access } from '../../core/schema/sheet';

/** What a student may do, in words. */
export const ACCESS_WORDS: Record<Access, string> = { fixed: 'look only', fill: 'fill in', free: 'change' };
