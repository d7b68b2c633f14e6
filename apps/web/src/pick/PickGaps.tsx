import { useCalibrationQuery } from '../shared/api/standApi.ts';
import { useAirQuery } from '../shared/api/workshopApi.ts';
import { Action } from '../shared/ui/Action.tsx';
import { SaidList } from '../shared/ui/ReasonList.tsx';

/** What a page of Pick works without because it could not be read: said, and asked for again. */
export function PickGaps({ craftId }: { craftId: string }) {
  const air = useAirQuery();
  const runs = useCalibrationQuery(craftId);
  if (!air.isError && !runs.isError) return null;
  return (
    <div role="alert">
      <SaidList
        said={[
          ...(air.isError
            ? [
                {
                  severity: 'caution' as const,
                  key: 'air',
                  text: 'Today’s air could not be read: all this is for the standard air, 15 °C at sea level.',
                },
              ]
            : []),
          ...(runs.isError
            ? [
                {
                  severity: 'caution' as const,
                  key: 'runs',
                  text: 'The runs of this craft could not be read: nothing here is corrected by them.',
                },
              ]
            : []),
        ]}
      />
      <Action
        onClick={() => {
          if (air.isError) void air.refetch();
          if (runs.isError) void runs.refetch();
        }}
      >
        Read them again
      </Action>
    </div>
  );
}
