import type { ThemeConfig } from 'antd';

/** Our colours and measures, for Ant Design; base.css holds the same ones for our own styles. */
export const INK = '#2a2820';
export const MOSS = '#456632';

export const theme: ThemeConfig = {
  cssVar: { key: 'margin' },
  hashed: false,
  token: {
    colorPrimary: MOSS,
    colorInfo: '#2c5d86',
    colorSuccess: MOSS,
    colorWarning: '#8f6a1c',
    colorError: '#a8401f',
    colorText: INK,
    colorTextSecondary: '#5f5948',
    colorTextPlaceholder: '#736c59',
    colorBgBase: '#fffefa',
    colorBgContainer: '#fffefa',
    colorBgElevated: '#fffefa',
    colorBorder: '#cfc5ab',
    colorBorderSecondary: '#ddd4bd',
    colorLink: '#2c5d86',
    colorLinkHover: '#1d4566',
    colorLinkActive: '#1d4566',
    borderRadius: 7,
    controlHeight: 34,
    controlHeightSM: 26,
    fontSize: 14,
    fontFamily: "'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible', system-ui, sans-serif",
    boxShadow: '0 6px 22px rgb(74 62 30 / 18%)',
    boxShadowSecondary: '0 6px 22px rgb(74 62 30 / 18%)',
    controlOutline: 'rgb(69 102 50 / 25%)',
    // Slow laptops: what opens is simply there.
    motion: false,
  },
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none', contentFontSize: 14 },
    Tooltip: { colorBgSpotlight: INK },
    Segmented: { trackBg: '#ebe4d2', itemSelectedBg: '#fffefa' },
  },
};
