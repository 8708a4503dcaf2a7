import styles from './page-tabs.module.css';

type Props = { pages: readonly { id: string }[]; shown: string; onShow: (id: string, index: number) => void };

/** The pages of a sheet by number, where it has several. */
export const PageTabs = ({ pages, shown, onShow }: Props) =>
  pages.length > 1 &&
  pages.map(({ id }, i) => (
    <button
      key={id}
      type="button"
      className={styles.tab}
      aria-label={`Page ${i + 1}`}
      aria-current={id === shown}
      onClick={() => onShow(id, i)}
    >
      {i + 1}
    </button>
  ));
