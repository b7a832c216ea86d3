<x-error code="often" />
