<x-error code="large" />
