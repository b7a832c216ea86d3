<x-error code="fault" />
