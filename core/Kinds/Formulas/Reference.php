<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Formulas;

/** A cell or a rectangle that a formula reads, by the ids of rows and columns; null for all rows, or all columns. */
final readonly class Reference
{
    public function __construct(
        public ?string $row,
        public ?string $column,
        public ?string $lastRow,
        public ?string $lastColumn,
        public bool $isRange,
    ) {}

    public function isCell(): bool
    {
        return ! $this->isRange && $this->row !== null && $this->column !== null;
    }

    /** Seen from a row, which a reference without one stands for. */
    public function from(string $row): self
    {
        return $this->row !== '' && $this->lastRow !== ''
            ? $this
            : new self(
                $this->row === '' ? $row : $this->row,
                $this->column,
                $this->lastRow === '' ? $row : $this->lastRow,
                $this->lastColumn,
                $this->isRange,
            );
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_values(array_filter([$this->row, $this->column, $this->lastRow, $this->lastColumn], fn (?string $id) => $id !== null));
    }
}
