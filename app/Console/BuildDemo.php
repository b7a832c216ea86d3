<?php

declare(strict_types=1);

namespace App\Console;

use Carbon\CarbonImmutable;
use Demo\Replay;
use Illuminate\Console\Command;

final class BuildDemo extends Command
{
    protected $signature = 'attic:demo {--until= : The day on which the story ends, yesterday if not given}';

    protected $description = 'Replays the stories in demo/ through the save path';

    public function handle(Replay $replay): int
    {
        $until = is_string($this->option('until')) ? CarbonImmutable::parse($this->option('until')) : CarbonImmutable::yesterday();
        $replay->all($until, fn (string $line) => $this->line($line));

        return self::SUCCESS;
    }
}
