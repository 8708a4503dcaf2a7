import styles from './sign.module.css';

/** Small drawn signs, as high as the text beside them. They say nothing to screen readers: the button does. */

const SIGNS = {
  remove: 'M4 4l8 8M12 4l-8 8',
  less: 'M3.5 8h9',
  more: 'M3.5 8h9M8 3.5v9',
  before: 'M13 8H3.5M7 4L3 8l4 4',
  after: 'M3 8h9.5M9 4l4 4-4 4',
  both: 'M3.5 8h9M6 5L3 8l3 3M10 5l3 3-3 3',
  opens: 'M4 6.3l4 4 4-4',
  met: 'M3.3 8.6l3.1 3.1 6.3-7',
  target: 'M8 1.2v4.6M8 10.2v4.6M1.2 8h4.6M10.2 8h4.6M8 3.6a4.4 4.4 0 1 0 .01 0',
  flower: 'M8 6.2a1.8 1.8 0 1 0 .01 0M8 6.2c-3-5 3-5 0 0M8 9.8c-3 5 3 5 0 0M6.2 8c-5-3-5 3 0 0M9.8 8c5-3 5 3 0 0',
};
export type SignName = keyof typeof SIGNS;

export const Sign = ({ of }: { of: SignName }) => (
  <svg className={styles.sign} viewBox="0 0 16 16" aria-hidden="true">
    <path d={SIGNS[of]} />
  </svg>
);
