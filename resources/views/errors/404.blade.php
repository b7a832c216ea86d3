<x-error code="nowhere" :note="$said ?? (str_contains($exception->getMessage(), 'version') && ! str_starts_with($exception->getMessage(), 'The route') ? $exception->getMessage() : null)" />
