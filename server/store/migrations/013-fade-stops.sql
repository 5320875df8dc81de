-- Fades of built motifs get stops; before, they ran across the piece from the full ink to a rest of it.
UPDATE motifs
SET recipe = jsonb_set(recipe, '{pieces}', (
  SELECT jsonb_agg(
    CASE WHEN piece->'fill'->'fade' ? 'rest' THEN
      jsonb_set(piece, '{fill,fade}', jsonb_build_object(
        'kind', 'across',
        'angle', piece->'fill'->'fade'->'angle',
        'stops', jsonb_build_array(
          jsonb_build_object('offset', 0, 'ink', piece->'fill'->'ink', 'opacity', 1),
          jsonb_build_object('offset', 1, 'ink', piece->'fill'->'ink', 'opacity', piece->'fill'->'fade'->'rest')
        )
      ))
    ELSE piece END
    ORDER BY place
  )
  FROM jsonb_array_elements(recipe->'pieces') WITH ORDINALITY AS listed (piece, place)
))
WHERE recipe->>'kind' = 'shape';
