import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { NativeSelect } from '@mantine/core';
import { IconGripVertical } from '@tabler/icons-react';
import type { PackPieceView, PlannedRunDto } from '@zivvo/contract';
import { Action } from '../../shared/ui/Action.tsx';
import classes from './Evening.module.css';
import type { RigChoice } from '../../shared/craft/rigChoices.ts';
import { fittingPacks, moved, type Names } from './planView.ts';

interface RunOrderProps {
  runs: readonly PlannedRunDto[];
  packs: readonly PackPieceView[];
  rigs: readonly RigChoice[];
  names: Names;
  onChange: (runs: PlannedRunDto[]) => void;
}

const HOW_TO_MOVE = 'Space takes the run up, the arrows move it, Space lets go, Escape leaves it where it was.';

/** The runs in their order: dragged by the grip, or taken up there with Space and moved with the arrows. */
export function RunOrder({ runs, packs, rigs, names, onChange }: RunOrderProps) {
  const sensors = useSensors(
    useSensor(PointerSensor),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const at = (id: UniqueIdentifier): number => runs.findIndex((r) => r.id === id);
  const nameOf = (id: UniqueIdentifier): string => names.prop(runs[at(id)]?.propModelId ?? '');
  const placeOf = (id: UniqueIdentifier): string => `place ${at(id) + 1} of ${runs.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(active.id)} is taken up, ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }) => (over ? `${nameOf(active.id)} over ${placeOf(over.id)}.` : undefined),
    onDragEnd: ({ active, over }) => `${nameOf(active.id)} is put at ${placeOf((over ?? active).id)}.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} stays at ${placeOf(active.id)}.`,
  };
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    onChange(moved(runs, at(active.id), at(over.id)));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{ announcements, screenReaderInstructions: { draggable: HOW_TO_MOVE } }}
    >
      <SortableContext items={runs.map((r) => r.id)} strategy={verticalListSortingStrategy}>
        <ol className={classes.order} aria-label="Order of the runs">
          {runs.map((run, i) => (
            <Entry
              key={run.id}
              run={run}
              place={i + 1}
              packs={fittingPacks(packs, rigs.find((r) => r.kitId === (run.kitId ?? null)) ?? null)}
              rigName={runs.some((r) => r.kitId !== runs[0]!.kitId) ? names.rig(run.kitId ?? null) : null}
              names={names}
              onPack={(packPieceId) => onChange(runs.map((r) => (r.id === run.id ? { ...r, packPieceId } : r)))}
              onTakeOut={() => onChange(runs.filter((r) => r.id !== run.id))}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Entry({
  run,
  place,
  packs,
  rigName,
  names,
  onPack,
  onTakeOut,
}: {
  run: PlannedRunDto;
  place: number;
  packs: readonly PackPieceView[];
  /** Where the plan has several. */
  rigName: string | null;
  names: Names;
  onPack: (packPieceId: string | null) => void;
  onTakeOut: () => void;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({ id: run.id });
  const name = names.prop(run.propModelId);
  return (
    <li
      ref={setNodeRef}
      className={classes.entry}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={classes.grip}
        {...attributes}
        {...listeners}
        aria-label={`Move run ${place}, ${name}`}
      >
        <IconGripVertical size={18} aria-hidden />
      </button>
      <span className={classes.number}>{place}</span>
      <span>
        <strong>{name}</strong>
        {(run.isReference || rigName !== null) && (
          <span className={classes.under}>
            {[run.isReference ? 'the reference' : null, rigName].filter((t) => t !== null).join(' · ')}
          </span>
        )}
      </span>
      <NativeSelect
        aria-label={`Pack of run ${place}`}
        value={run.packPieceId ?? ''}
        onChange={(e) => onPack(e.currentTarget.value === '' ? null : e.currentTarget.value)}
        data={[{ value: '', label: 'any pack' }, ...packs.map((p) => ({ value: p.id, label: p.tag }))]}
      />
      <Action weight="quiet" aria-label={`Take run ${place} out`} onClick={onTakeOut}>
        Take out
      </Action>
    </li>
  );
}
