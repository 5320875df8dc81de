import { type Hex, readHex } from '../../../../core/colour/index.ts';

/** What browsers that have it offer (EyeDropper API). */
interface ScreenPicker {
  open(): Promise<{ readonly sRGBHex: string }>;
}

const Picker: unknown = Reflect.get(window, 'EyeDropper');

/** Takes a colour from anywhere on the screen: the cloth, a motif, a photograph in another window. Missing where the browser cannot. */
export const pickFromScreen =
  typeof Picker === 'function'
    ? async (): Promise<Hex | undefined> => {
        try {
          const { sRGBHex } = await (Reflect.construct(Picker, []) as ScreenPicker).open();
          return readHex(sRGBHex);
        } catch {
          // Escape was pressed: no colour was picked.
          return undefined;
        }
      }
    : undefined;
