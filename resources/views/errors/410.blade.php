<x-error code="gone" :note="$exception->getMessage() ?: null" />
