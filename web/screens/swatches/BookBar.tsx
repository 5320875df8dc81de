import { Search, X } from 'lucide-react';
import type { Hex } from '../../../core/colour/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import type { BookWish, SortBy } from './bookOrder.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly wish: BookWish;
  readonly books: readonly string[];
  readonly tags: readonly string[];
  readonly onChange: (wish: BookWish) => void;
  readonly fitted: boolean;
  readonly onFit: (fitted: boolean) => void;
}

const SELECT = 'h-8 rounded-md border border-thread bg-white px-2 text-sm';

/** What of the book is shown, in which order, and at which scale. */
export function BookBar({ wish, books, tags, onChange, fitted, onFit }: Props) {
  const shelf = wish.book !== undefined ? `book ${wish.book}` : wish.tag !== undefined ? `tag ${wish.tag}` : '';
  return (
    <div className="flex flex-wrap items-center gap-3">
      <label className="flex h-8 items-center gap-2 rounded-md border border-thread bg-white px-2">
        <Search size={15} className="text-graphite" aria-hidden />
        <input
          type="search"
          aria-label={TEXTS.search}
          placeholder={TEXTS.search}
          value={wish.words}
          onChange={(event) => onChange({ ...wish, words: event.target.value })}
          className="w-44 bg-transparent text-sm"
        />
      </label>
      {books.length + tags.length > 0 && (
        <select
          aria-label={TEXTS.show}
          value={shelf}
          onChange={({ target: { value } }) =>
            onChange({
              ...wish,
              book: value.startsWith('book ') ? value.slice(5) : undefined,
              tag: value.startsWith('tag ') ? value.slice(4) : undefined,
            })
          }
          className={SELECT}
        >
          <option value="">{TEXTS.everySwatch}</option>
          {books.map((book) => (
            <option key={book} value={`book ${book}`}>
              {TEXTS.bookNamed(book)}
            </option>
          ))}
          {tags.map((tag) => (
            <option key={tag} value={`tag ${tag}`}>
              {TEXTS.tagNamed(tag)}
            </option>
          ))}
        </select>
      )}
      <span className="flex items-center gap-2 text-sm">
        <span aria-hidden>{TEXTS.near}</span>
        <input
          type="color"
          aria-label={TEXTS.near}
          title={TEXTS.near}
          value={wish.near ?? '#c9a227'}
          // The browser's own colour field always gives six hex digits.
          onChange={(event) => onChange({ ...wish, near: event.target.value as Hex })}
          className={`h-8 w-10 rounded-md border border-thread ${wish.near === undefined ? 'opacity-40' : ''}`}
        />
        {wish.near !== undefined && (
          <Button look="quiet" label={TEXTS.anyColour} onClick={() => onChange({ ...wish, near: undefined })}>
            <X size={15} aria-hidden />
          </Button>
        )}
      </span>
      <label className="flex items-center gap-2 text-sm">
        {TEXTS.sortBy}
        <select
          value={wish.sortBy}
          // The options are the kinds.
          onChange={(event) => onChange({ ...wish, sortBy: event.target.value as SortBy })}
          className={SELECT}
        >
          {(['newest', 'name', 'size'] as const).map((kind) => (
            <option key={kind} value={kind}>
              {TEXTS[kind]}
            </option>
          ))}
        </select>
      </label>
      <div className="w-52">
        <Choice
          label={TEXTS.scaleInTheBook}
          value={fitted ? 'fitted' : 'common'}
          options={[
            { value: 'common', name: TEXTS.commonScale },
            { value: 'fitted', name: TEXTS.oneRepeat },
          ]}
          onChange={(value) => onFit(value === 'fitted')}
        />
      </div>
    </div>
  );
}
