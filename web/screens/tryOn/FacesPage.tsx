import { Plus, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import {
  bulging,
  firstFace,
  flattened,
  type Marked,
  markedFault,
  type MarkedFace,
  type MaskStep,
} from '../../../core/tryon/index.ts';
import type { AnswerOf, readPhotograph } from '../../../contract/index.ts';
import { blobUrl } from '../../api/client.ts';
import { usePhotograph, useProductMutation } from '../../api/tryOns.ts';
import { BackLink } from '../../ui/BackLink.tsx';
import { Button } from '../../ui/Button.tsx';
import { Fetched } from '../../ui/Fetched.tsx';
import { HistoryButtons } from '../../ui/HistoryButtons.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { SliderField } from '../../ui/SliderField.tsx';
import { Tick } from '../../ui/Tick.tsx';
import { TicketPart } from '../../ui/TicketPart.tsx';
import { useHistory } from '../../ui/useHistory.ts';
import { useSize } from '../../ui/useSize.ts';
import { useUndoKeys } from '../../ui/useUndoKeys.ts';
import { CornerPins } from './CornerPins.tsx';
import { MaskFields, type MaskTool } from './MaskFields.tsx';
import { MaskLayer } from './MaskLayer.tsx';
import { TEXTS } from './texts.ts';

const BACK = { to: '/try-ons', name: TEXTS.tryOns };
const ROOM = 24;
const TOOL: MaskTool = { kind: 'points', shows: false, width: 40, tolerance: 0.08 };

/** The flat faces of a photograph: their corners are dragged where they are seen, their sizes typed. */
export function FacesPage() {
  const { id = '' } = useParams();
  return (
    <Fetched what="photograph" query={usePhotograph(id)} back={BACK}>
      {(photo) => <Marking key={id} id={id} photo={photo} />}
    </Fetched>
  );
}

function Marking({ id, photo }: { readonly id: string; readonly photo: AnswerOf<typeof readPhotograph> }) {
  const history = useHistory<Marked>(photo.marked);
  const { value, change } = history;
  useUndoKeys(history.undo, history.redo);
  const [picked, setPicked] = useState(0);
  const [tool, setTool] = useState(TOOL);
  const place = useRef<HTMLElement>(null);
  const size = useSize(place);
  const navigate = useNavigate();
  const { mutateAsync, isPending } = useProductMutation();
  const notifyProblem = useNotifyProblem();
  const scale = Math.max(
    0.01,
    Math.min((size.width - 2 * ROOM) / photo.width, (size.height - 2 * ROOM) / photo.height),
  );
  const index = Math.min(picked, value.faces.length - 1);
  const face = value.faces[index] as MarkedFace;
  const faults = value.faces.map((one) => markedFault(one.face));
  const setFace = (next: MarkedFace, field: string): void =>
    change({ ...value, faces: value.faces.map((one, n) => (n === index ? next : one)) }, `${field} of ${index}`);
  // Each stroke is undone by itself.
  const setMask = (mask: MarkedFace['mask']): void => {
    const next = { ...face, mask };
    change({ ...value, faces: value.faces.map((one, n) => (n === index ? next : one)) });
  };
  const addStep = (step: MaskStep): void => setMask([...(face.mask ?? []), step]);
  const add = (): void => {
    const numbers = value.faces.map((one) => Number(/\d+$/.exec(one.id)?.[0] ?? 0));
    const number = Math.max(0, ...numbers) + 1;
    const next = { ...firstFace(photo), id: `face-${number}`, name: TEXTS.faceN(number) };
    change({ ...value, faces: [...value.faces, next] });
    setPicked(value.faces.length);
  };
  const remove = (): void => change({ ...value, faces: value.faces.filter((one) => one !== face) });
  const done = (): void => void mutateAsync({ id, marked: value }).then(() => navigate(-1), notifyProblem);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_320px] grid-rows-[48px_minmax(0,1fr)]">
      <header className="col-span-2 flex items-center gap-3 border-b border-thread px-3">
        <BackLink to={BACK.to} name={TEXTS.tryOns} />
        <h1 className="truncate font-name text-base font-semibold">{TEXTS.facesOf(photo.name)}</h1>
        <span className="grow" />
        <HistoryButtons history={history} />
        <Button look="accent" disabled={isPending || faults.some((fault) => fault !== undefined)} onClick={done}>
          {TEXTS.useFaces}
        </Button>
      </header>
      <main ref={place} className="grid min-h-0 min-w-0 place-items-center overflow-hidden bg-linen/40">
        <div className="relative" style={{ width: photo.width * scale, height: photo.height * scale }} data-photograph>
          <img
            src={blobUrl(photo.blob)}
            alt={photo.name}
            className="absolute inset-0 h-full w-full"
            draggable={false}
          />
          <CornerPins
            faces={value.faces}
            picked={index}
            scale={scale}
            onPick={setPicked}
            onMove={(moved) => setFace({ ...face, face: moved }, 'corners')}
          />
          <MaskLayer
            face={face}
            photo={{ url: blobUrl(photo.blob), width: photo.width, height: photo.height }}
            tool={tool}
            scale={scale}
            onStep={addStep}
          />
        </div>
      </main>
      <aside
        aria-label={TEXTS.faces}
        className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-thread p-5"
      >
        <TicketPart name={TEXTS.faces}>
          <ul className="grid gap-1">
            {value.faces.map((one, n) => (
              <li key={one.id}>
                <Button pressed={n === index} onClick={() => setPicked(n)} className="w-full">
                  {one.name}
                </Button>
              </li>
            ))}
          </ul>
          <Button onClick={add}>
            <Plus size={15} aria-hidden /> {TEXTS.addFace}
          </Button>
        </TicketPart>
        <TicketPart name={face.name}>
          <NameField
            label={TEXTS.nameOfTheFace}
            name={face.name}
            onRename={(name) => setFace({ ...face, name }, 'name')}
            className="h-8 border-thread bg-white text-sm"
          />
          <div className="grid grid-cols-2 gap-2">
            <LengthField
              label={TEXTS.width}
              mm={face.face.width}
              min={1}
              max={1e5}
              onChange={(width) => setFace({ ...face, face: { ...face.face, width } }, 'width')}
            />
            <LengthField
              label={TEXTS.height}
              mm={face.face.height}
              min={1}
              max={1e5}
              onChange={(height) => setFace({ ...face, face: { ...face.face, height } }, 'height')}
            />
          </div>
          {faults[index] !== undefined && (
            <p role="alert" className="text-sm text-madder">
              {faults[index]}
            </p>
          )}
          <Tick
            label={TEXTS.bulges}
            on={face.face.kind === 'mesh'}
            onChange={(on) => setFace({ ...face, face: on ? bulging(face.face) : flattened(face.face) }, 'kind')}
          />
          <p className="text-xs text-graphite">{face.face.kind === 'mesh' ? TEXTS.bulgeHint : TEXTS.cornersHint}</p>
          {value.faces.length > 1 && (
            <Button onClick={remove}>
              <Trash2 size={15} aria-hidden /> {TEXTS.removeFace}
            </Button>
          )}
        </TicketPart>
        <MaskFields
          tool={tool}
          onTool={setTool}
          isMasked={face.mask !== undefined}
          onStep={addStep}
          onClear={() => setMask(undefined)}
        />
        <TicketPart name={TEXTS.light}>
          <SliderField
            label={TEXTS.lightOfThePhotograph}
            sign="%"
            value={Math.round(value.light * 100)}
            min={0}
            max={100}
            step={5}
            onChange={(percent) => change({ ...value, light: percent / 100 }, 'light')}
          />
        </TicketPart>
      </aside>
    </div>
  );
}
