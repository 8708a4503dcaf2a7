import { Alert } from 'antd';
import type { ReactNode } from 'react';
import styles from './over-alert.module.css';

/** What went wrong, over the upper edge of a sheet. */
export const OverAlert = ({ children }: { children: ReactNode }) => (
  <div className={styles.overAlert}>
    <Alert type="warning" showIcon title={children} role="alert" />
  </div>
);
