<x-error code="forbidden" :note="$exception->getMessage() ?: null" />
