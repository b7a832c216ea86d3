<x-error code="old" />
