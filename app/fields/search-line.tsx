import { Input } from 'antd';

/** Where a word is typed that something is found by. @param label what is found, as in “Find a picture” */
export const SearchLine = ({
  label,
  wanted,
  onWanted,
}: {
  label: string;
  wanted: string;
  onWanted: (words: string) => void;
}) => (
  <Input
    size="small"
    allowClear
    placeholder={label}
    aria-label={label}
    value={wanted}
    onChange={(event) => onWanted(event.target.value)}
  />
);
