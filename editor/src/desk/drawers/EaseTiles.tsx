import { IconTrash } from '@tabler/icons-react';
import { removeEase, renameEase, type KeptEase } from '../../document/index.ts';
import { TextField } from '../../fields/index.ts';
import { IconAction } from '../../look/IconAction.tsx';
import { offerUndo } from '../../look/notices.tsx';
import { EaseCurve } from '../ease/EaseCurve.tsx';
import '../ease/ease.css';

/** The kept eases with their names: chosen where an ease is shaped, renamed and taken out here. */
export function EaseTiles({ eases }: { eases: readonly KeptEase[] }) {
  const remove = async ({ id, name }: KeptEase): Promise<void> => {
    const restore = await removeEase(id);
    offerUndo(`“${name}” was removed from the collection`, restore);
  };
  return (
    <ul className="guide-grid">
      {eases.map((one) => (
        <li key={one.id} className="guide-tile">
          <span className="guide-face ease-face">
            <EaseCurve ease={one.thing} width={84} height={52} />
          </span>
          <span className="guide-line-name">
            <TextField
              label={`Name of ${one.name}`}
              value={one.name}
              onCommit={(name) => void renameEase(one.id, name)}
            />
            <IconAction
              label={`Take ${one.name} out`}
              icon={<IconTrash size={14} aria-hidden />}
              onClick={() => void remove(one)}
            />
          </span>
        </li>
      ))}
    </ul>
  );
}
