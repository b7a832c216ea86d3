<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;

/** Where each word of a text comes from, carried on from state to state: see {@see TextAuthors}. */
final class WordsCarried
{
    /** Stretches that went and may come again. */
    private const MOST_GONE = 200;

    /** @var list<int> for each word of the current state a position in the first state, or ~n for the n-th new one */
    public array $origin;

    /** @var list<array{int, int}> of each new word the step that wrote it, and where it stood then */
    public array $new = [];

    /** @var array<int, int> position of a word in the first state => the last step that removed it */
    public array $removedBy = [];

    /** @var list<list<string>> */
    private array $goneTokens = [];

    /** @var list<list<int>> */
    private array $goneOrigins = [];

    /** @param list<string> $current tokens ({@see Words::cut}) */
    public function __construct(public array $current)
    {
        $this->origin = array_keys($current);
    }

    /**
     * @param  list<string>  $next
     * @param  array{list<string>, list<int>}|null  $back  the tokens that this step brought back, with where each came from then
     */
    public function step(int $step, array $next, ?array $back): void
    {
        $alignment = Sequences::align($this->current, $next);
        $pairs = $alignment->pairs();
        $origin = [];
        foreach ($pairs as $at => $to) {
            $origin[$to] = $this->origin[$at];
        }
        foreach (array_diff_key($this->origin, $pairs) as $from) {
            if ($from >= 0) {
                $this->removedBy[$from] = $step;
            }
        }
        $origin += $this->come($alignment, $next);
        foreach ($next as $at => $unused) {
            if (! isset($origin[$at])) {
                $origin[$at] = ~count($this->new);
                $this->new[] = [$step, $at];
            }
        }
        ksort($origin);
        $this->current = $next;
        $this->origin = $back !== null && $back[0] === $next ? $back[1] : array_values($origin);
    }

    /**
     * What came, as far as it went before or goes now elsewhere.
     *
     * @param  list<string>  $next
     * @return array<int, int> position in the next state => where it comes from
     */
    private function come(Alignment $alignment, array $next): array
    {
        $come = $starts = $origin = [];
        foreach (CommonStretches::gaps($alignment, $this->current) as [$oldFrom, $oldTo, $newFrom, $newTo]) {
            if ($oldTo > $oldFrom) {
                $this->goneTokens[] = array_slice($this->current, $oldFrom, $oldTo - $oldFrom);
                $this->goneOrigins[] = array_slice($this->origin, $oldFrom, $oldTo - $oldFrom);
            }
            if ($newTo > $newFrom) {
                [$come[], $starts[]] = [array_slice($next, $newFrom, $newTo - $newFrom), $newFrom];
            }
        }
        $this->goneTokens = array_slice($this->goneTokens, -self::MOST_GONE);
        $this->goneOrigins = array_slice($this->goneOrigins, -self::MOST_GONE);
        foreach (CommonStretches::of($come, $this->goneTokens) as [$stretch, $at, $from, $fromAt, $length]) {
            for ($i = 0; $i < $length; $i++) {
                $origin[$starts[$stretch] + $at + $i] = $this->goneOrigins[$from][$fromAt + $i];
            }
        }

        return $origin;
    }
}
