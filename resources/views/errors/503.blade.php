<x-error code="closed" :note="$said ?? null" />
