<x-error code="refused" />
