import type { ThemeConfig } from 'antd';
import { COLOURS, FONTS, RADII, SHADOWS, SIZES } from './tokens';

/** Ant Design in our colours and sizes. */
export const theme: ThemeConfig = {
  cssVar: { key: 'margin' },
  hashed: false,
  token: {
    colorPrimary: COLOURS.moss,
    colorInfo: COLOURS.sky,
    colorSuccess: COLOURS.moss,
    colorWarning: COLOURS.straw,
    colorError: COLOURS.rust,
    colorText: COLOURS.ink,
    colorTextSecondary: COLOURS.soft,
    colorTextPlaceholder: COLOURS.faint,
    colorBgBase: COLOURS.paper,
    colorBgContainer: COLOURS.paper,
    colorBgElevated: COLOURS.paper,
    colorBorder: COLOURS.edge,
    colorBorderSecondary: COLOURS.line,
    colorLink: COLOURS.sky,
    colorLinkHover: COLOURS['sky-deep'],
    colorLinkActive: COLOURS['sky-deep'],
    borderRadius: RADII.radius,
    controlHeight: 34,
    controlHeightSM: 26,
    fontSize: SIZES['size-text'],
    fontFamily: FONTS.read,
    boxShadow: SHADOWS['shadow-high'],
    boxShadowSecondary: SHADOWS['shadow-high'],
    controlItemBgActive: COLOURS['moss-soft'],
    controlItemBgActiveHover: COLOURS['moss-soft'],
    controlItemBgHover: COLOURS.tint,
    controlOutline: `${COLOURS.moss}40`,
    // No animations, for slow laptops.
    motion: false,
  },
  components: {
    Button: { fontWeight: 600, primaryShadow: 'none', defaultShadow: 'none', contentFontSize: SIZES['size-text'] },
    Tooltip: { colorBgSpotlight: COLOURS.ink },
    Segmented: { trackBg: COLOURS.shade, itemSelectedBg: COLOURS.paper },
  },
};
