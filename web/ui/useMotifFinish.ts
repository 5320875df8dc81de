import { useRef } from 'react';
import { useNavigate } from 'react-router';
import type { DesignMotif } from '../../contract/index.ts';
import type { Recipe } from '../../core/recipe/index.ts';
import { useMotifMaking, useMotifMutation } from '../api/motifs.ts';
import { useNotify, useNotifyProblem } from './Notices.tsx';
import { backTo, type Origin, useOrigin } from './origin.ts';
import { TEXTS } from './texts.ts';
import { useMotifRemake } from './useMotifRemake.ts';

/**
 * Keeps what a page makes of a recipe: as a new motif, which is then gone on with, or as the motif that is changed. A page that was
 * opened from a design goes back there with it.
 */
export interface MotifFinish {
  readonly isBusy: boolean;
  /** A problem is told as a notice. */
  finish(name: string, recipe: Recipe): Promise<void>;
  /** As a new motif, whatever is changed; the other stays as it is. */
  finishAsNew(name: string, recipe: Recipe): Promise<void>;
}

/**
 * @param motif what is changed; a new motif where undefined
 * @param collection of a new motif
 * @param path where a new motif is gone on with, before its id
 * @param onKept called once what was made is kept
 */
export function useMotifFinish(
  motif: DesignMotif | undefined,
  collection: string,
  path: string,
  onKept: () => void = () => undefined,
): MotifFinish {
  const making = useMotifMaking();
  const mutation = useMotifMutation();
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const navigate = useNavigate();
  const origin = useOrigin();
  const { isBusy, remake } = useMotifRemake();
  const goBack = async (to: Origin, made?: string): Promise<void> => {
    const { path, state } = backTo(to, made);
    await navigate(path, { state });
  };
  const change = async (changed: DesignMotif, name: string, recipe: Recipe): Promise<void> => {
    await remake({ ...changed, name }, recipe);
    onKept();
    if (name !== changed.name) await mutation.mutateAsync({ id: changed.id, change: { name } });
    if (origin) await goBack(origin);
  };
  const make = async (name: string, recipe: Recipe): Promise<void> => {
    const made = await making.mutateAsync({ name, collection, recipe });
    onKept();
    if (origin) return goBack(origin, made.id);
    notify({
      text: TEXTS.nameIsInTheDrawer(made.name),
      action: { label: TEXTS.toTheDrawer, run: () => void navigate('/motifs') },
    });
    await navigate(`${path}/${made.id}`, { replace: true });
  };
  // A second press comes before anything can be shown of the first.
  const isUnderWay = useRef(false);
  const once = async (work: () => Promise<void>): Promise<void> => {
    if (isUnderWay.current) return;
    isUnderWay.current = true;
    await work()
      .catch(notifyProblem)
      .finally(() => (isUnderWay.current = false));
  };
  return {
    isBusy: making.isPending || mutation.isPending || isBusy,
    finish: (name, recipe) => once(() => (motif ? change(motif, name.trim(), recipe) : make(name.trim(), recipe))),
    finishAsNew: (name, recipe) => once(() => make(name.trim(), recipe)),
  };
}
