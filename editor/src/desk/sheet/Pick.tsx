import { Combobox, useCombobox } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { memo, useState } from 'react';

interface PickProps {
  /** What the list is of, for readers. */
  readonly name: string;
  readonly label: string;
  readonly items: readonly { readonly id: string; readonly name: string; readonly color?: string }[];
  readonly chosen: string | undefined;
  readonly onPick: (id: string) => void;
}

/** Lists longer than this can be searched. */
const SEARCHED_FROM = 7;

/** A button that opens a list to choose from; a long one is searched by typing. Not made anew while what it offers is the same: it may have hundreds. */
export const Pick = memo(function Pick({ name, label, items, chosen, onPick }: PickProps) {
  const [search, setSearch] = useState('');
  const isSearched = items.length >= SEARCHED_FROM;
  const list = useCombobox({
    onDropdownOpen: () => {
      if (isSearched) list.focusSearchInput();
      list.selectActiveOption();
    },
    onDropdownClose: () => {
      list.resetSelectedOption();
      setSearch('');
    },
  });
  const found = items.filter((item) => item.name.toLowerCase().includes(search.trim().toLowerCase()));
  return (
    <Combobox
      store={list}
      position="bottom-end"
      width="max-content"
      onOptionSubmit={(id) => {
        onPick(id);
        list.closeDropdown();
        list.focusTarget();
      }}
    >
      <Combobox.Target targetType="button">
        <button type="button" className="plain-button" title={name} onClick={() => list.toggleDropdown()}>
          <bdi className="route-name">{label}</bdi>
          <IconChevronDown size={13} aria-hidden />
        </button>
      </Combobox.Target>
      <Combobox.Dropdown>
        {isSearched && (
          <Combobox.Search
            aria-label={`Search: ${name}`}
            placeholder="Search"
            size="xs"
            value={search}
            onChange={(event) => {
              setSearch(event.currentTarget.value);
              list.selectFirstOption();
            }}
          />
        )}
        <Combobox.Options aria-label={name} mah={280} style={{ overflowY: 'auto' }}>
          {found.map((item) => (
            <Combobox.Option key={item.id} value={item.id} active={item.id === chosen}>
              {item.color && <span className="route-swatch" style={{ background: item.color }} />}
              <bdi>{item.name}</bdi>
            </Combobox.Option>
          ))}
          {found.length === 0 && <Combobox.Empty>None of that name.</Combobox.Empty>}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}, offersTheSame);

function offersTheSame(a: PickProps, b: PickProps): boolean {
  return (
    a.name === b.name &&
    a.label === b.label &&
    a.chosen === b.chosen &&
    a.onPick === b.onPick &&
    a.items.length === b.items.length &&
    a.items.every(({ id, name, color }, i) => {
      const other = b.items[i];
      return other?.id === id && other.name === name && other.color === color;
    })
  );
}
