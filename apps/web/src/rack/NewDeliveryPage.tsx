import { CreateBatchDto } from '@zivvo/contract';
import { v7 } from 'uuid';
import { useAddBatchMutation } from '../shared/api/pieceApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import { ChoiceField, CountField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';

type BatchForm = { [K in keyof CreateBatchDto]: CreateBatchDto[K] };

/** A delivery: which model, how many of each hand. */
export function Component() {
  const query = usePropModelsQuery();
  const { propModelId, to } = useInHand();
  const go = useGo();
  const [add] = useAddBatchMutation();
  const { form, save, isBusy, notes } = useKeptForm<BatchForm>({
    keptAs: 'delivery/new',
    row: null,
    Dto: CreateBatchDto,
    blank: {
      id: v7(),
      propModelId: propModelId ?? '',
      cwCount: 0,
      ccwCount: 0,
      eitherCount: 0,
      resolutionKg: 0.00001,
      supplierName: null,
      location: null,
      note: null,
    },
    send: (values, id) => add({ ...values, id }).unwrap(),
    onDone: (id) => go(`/rack/deliveries/${id}`),
  });
  const { control, handleSubmit, setError, setFocus } = form;
  const onSave = handleSubmit(
    async (values) => {
      if (values.cwCount + values.ccwCount + values.eitherCount === 0)
        return setError('cwCount', { type: 'min', message: 'Count at least one piece of either hand.' });
      await save(values);
    },
    (errors) => setFocus(Object.keys(errors)[0] as keyof BatchForm),
  );
  return (
    <Ready query={query}>
      {({ items }) => (
        <StationPage
          eyebrow="Rack · New delivery"
          headline={items.length === 0 ? 'Type the label of the model first' : 'What is in the bag?'}
          detail="Counted by hand, not read off the bag: half of a mixed bag is the other hand."
          reasons={
            <p style={{ margin: 0 }}>
              Every piece gets a tag of four signs. The scale decides how much a weight says: under five of its steps it
              says too little.
            </p>
          }
          actions={
            <>
              {items.length > 0 && (
                <Action weight="main" type="submit" form="delivery-form" disabled={isBusy}>
                  Start the check-in
                </Action>
              )}
              <ActionLink weight={items.length === 0 ? 'main' : 'plain'} to={to('/rack/new')}>
                New prop model
              </ActionLink>
              <ActionLink to={to('/rack/deliveries')}>Cancel</ActionLink>
            </>
          }
        >
          {items.length > 0 && (
            <form id="delivery-form" className={classes.form} noValidate onSubmit={(e) => void onSave(e)}>
              {notes}
              <fieldset className={classes.group}>
                <legend>Delivery</legend>
                <ChoiceField
                  control={control}
                  name="propModelId"
                  label="Model"
                  none="choose"
                  choices={items.map((m) => ({ value: m.id, label: propModelName(m) }))}
                />
                <CountField control={control} name="cwCount" label="CW pieces" />
                <CountField control={control} name="ccwCount" label="CCW pieces" />
                <CountField
                  control={control}
                  name="eitherCount"
                  label="Of either hand"
                  description="symmetric, reversible"
                />
                <QuantityField control={control} name="resolutionKg" label="Scale shows steps of" dimension="mass" />
                <TextField control={control} name="supplierName" label="Bought from" />
                <TextField control={control} name="location" label="Kept where" />
                <div className={classes.wide}>
                  <NoteField control={control} name="note" label="Note" />
                </div>
              </fieldset>
            </form>
          )}
        </StationPage>
      )}
    </Ready>
  );
}
