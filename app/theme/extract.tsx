import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import {
  Alert,
  Button,
  Checkbox,
  ConfigProvider,
  DatePicker,
  Dropdown,
  Input,
  InputNumber,
  message,
  Popover,
  Radio,
  Segmented,
  Select,
  Progress,
  Slider,
  Switch,
  Tooltip,
} from 'antd';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { ComponentType } from 'react';
import { renderToString } from 'react-dom/server';
import { theme } from './theme';
import { tokensCss } from './tokens';

/**
 * Writes our tokens and the styles of all Ant Design components in use to one file, so that the first paint has them and no
 * page computes them. Every component used anywhere has to be listed here.
 */

/** The part of a component that usually opens on demand, rendered in place. */
const opened = (component: unknown) =>
  (component as { _InternalPanelDoNotUseOrYouWillBeFired: ComponentType<Record<string, unknown>> })
    ._InternalPanelDoNotUseOrYouWillBeFired;
const [DatePanel, PopoverPanel, TooltipPanel, SelectPanel, DropdownPanel, MessagePanel] = [
  DatePicker,
  Popover,
  Tooltip,
  Select,
  Dropdown,
  message,
].map(opened);

const cache = createCache();
renderToString(
  <StyleProvider cache={cache}>
    <ConfigProvider theme={theme}>
      <Alert title="a" type="error" showIcon />
      <Button type="primary">a</Button>
      <Checkbox>a</Checkbox>
      <Input.Search />
      <Input addonBefore="a" />
      <Input.Password />
      <Input.TextArea />
      <InputNumber />
      <Radio.Group options={['a']} />
      <Segmented options={['a']} />
      <Progress percent={40} size="small" />
      <Slider />
      <Switch />
      <Select />
      <PopoverPanel title="a" />
      <TooltipPanel title="a" />
      <SelectPanel />
      <DropdownPanel menu={{ items: [] }} />
      <MessagePanel content="a" type="info" />
    </ConfigProvider>
  </StyleProvider>,
);
const folder = path.resolve(import.meta.dirname, '../../.generated');
mkdirSync(folder, { recursive: true });
// Loaded only with what few people open.
const pickerCache = createCache();
renderToString(
  <StyleProvider cache={pickerCache}>
    <ConfigProvider theme={theme}>
      <DatePicker showTime />
      <DatePanel showTime />
    </ConfigProvider>
  </StyleProvider>,
);
const css = tokensCss() + extractStyle(cache, { plain: true });
writeFileSync(path.join(folder, 'antd.css'), css);
writeFileSync(path.join(folder, 'antd-picker.css'), extractStyle(pickerCache, { plain: true }));
console.log(`styles: ${Math.round(css.length / 1024)} KB`);
