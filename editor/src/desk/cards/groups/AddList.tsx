import { Combobox, useCombobox } from '@mantine/core';
import { IconPlus } from '@tabler/icons-react';
import { useId, useState } from 'react';
import { MovingPicture } from '../../../look/MovingPicture.tsx';
import { pictureScene } from '../../../look/way-pictures.ts';
import { matches } from '../../../words/matches.ts';
import type { CardGroup } from './group.ts';

interface AddListProps<On> {
  readonly name: string;
  readonly groups: readonly CardGroup<On>[];
  readonly onAdd: (group: CardGroup<On>) => void;
}

/** "Add…": what else there is, each with a sentence and a small moving picture, searched by what people call it. */
export function AddList<On>({ name, groups, onAdd }: AddListProps<On>) {
  const list = useId();
  const [search, setSearch] = useState('');
  const box = useCombobox({
    onDropdownClose: () => {
      box.resetSelectedOption();
      setSearch('');
    },
    onDropdownOpen: () => box.focusSearchInput(),
  });
  if (groups.length === 0) return null;
  const found = groups.filter(({ title, about, also }) => matches(search, `${title} ${about} ${also}`));
  return (
    <Combobox
      store={box}
      position="top-start"
      width={360}
      // Its button may be half out of sight in a card that scrolls.
      hideDetached={false}
      withinPortal
      shadow="md"
      onOptionSubmit={(id) => {
        const group = groups.find((one) => one.id === id);
        box.closeDropdown();
        if (group) onAdd(group);
      }}
    >
      <Combobox.Target targetType="button" withAriaAttributes={false}>
        <button
          type="button"
          className="small-button add-button"
          aria-haspopup="listbox"
          aria-expanded={box.dropdownOpened}
          aria-label={`Add to ${name}`}
          title={`What else ${name} can have`}
          onClick={() => box.toggleDropdown()}
        >
          <IconPlus size={13} aria-hidden /> Add…
        </button>
      </Combobox.Target>
      <Combobox.Dropdown className="add-list">
        <Combobox.Search
          role="combobox"
          aria-expanded
          aria-controls={list}
          value={search}
          aria-label={`Search what ${name} can have`}
          placeholder="Search: wheel, shadow, appear…"
          onChange={(event) => {
            setSearch(event.currentTarget.value);
            box.selectFirstOption();
          }}
        />
        <Combobox.Options id={list} aria-label={`What ${name} can have`}>
          {found.length === 0 && <Combobox.Empty>Nothing by that name</Combobox.Empty>}
          {found.map((group) => (
            <Combobox.Option key={group.id} value={group.id} aria-label={group.title}>
              <span className="add-picture" aria-hidden>
                {box.dropdownOpened && (
                  <MovingPicture name={`group ${group.id}`} scene={() => pictureScene(group.title, group.picture)} />
                )}
              </span>
              <span className="add-words">
                <strong>{group.title}</strong>
                <small>{group.about}</small>
              </span>
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox.Dropdown>
    </Combobox>
  );
}
