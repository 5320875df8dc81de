import type { DesignMotif } from '../../../../contract/index.ts';
import { useEffect, useRef, useState } from 'react';
import type { CheckContext, Findings } from '../../../../core/check/index.ts';
import type { Design } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { messageOf } from '../../../../core/problem/index.ts';

interface Wanted {
  readonly design: Design;
  readonly motifs: readonly DesignMotif[];
  readonly looking: CheckContext;
}

/** Has the cloth looked over off the page after every edit, and its findings marked; says what went wrong. One look at a time: the next begins with what is there by then. */
export function useFindings(looking: CheckContext): string | undefined {
  const editor = useEditor();
  const committed = useStore(editor.session, (state) => state.committed);
  const motifs = useStore(editor.motifs);
  const [problem, setProblem] = useState<string>();
  const wanted = useRef<Wanted>(undefined);
  const busy = useRef(false);
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      editor.findings.set(undefined);
      editor.mark.set(undefined);
    };
  }, [editor]);
  useEffect(() => {
    wanted.current = { design: committed, motifs, looking };
    const look = (): void => {
      const next = wanted.current;
      if (!next || busy.current || left.current) return;
      wanted.current = undefined;
      busy.current = true;
      editor.tossing.tosser
        .run(next.design, next.motifs, { kind: 'check', ...next.looking })
        .done.then((findings: Findings) => {
          if (left.current) return;
          editor.findings.set(findings);
          setProblem(undefined);
        })
        .catch((error: unknown) => setProblem(messageOf(error)))
        .finally(() => {
          busy.current = false;
          look();
        });
    };
    look();
  }, [editor, committed, motifs, looking]);
  return problem;
}
