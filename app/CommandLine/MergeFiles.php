<?php

declare(strict_types=1);

namespace App\CommandLine;

use MistyAttic\Core\Files\FileMerge;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

final class MergeFiles extends Command
{
    public function __construct()
    {
        parent::__construct('merge');
    }

    protected function configure(): void
    {
        $this->setDescription(
            'Merges two files that came of one: exits with 0 when all went in, 1 when edits met and are held back, 2 on trouble.',
        )
            ->addArgument('mine', InputArgument::REQUIRED, 'one of the two; - stands for standard input')
            ->addArgument('base', InputArgument::REQUIRED, 'the file that both came of')
            ->addArgument('theirs', InputArgument::REQUIRED, 'the other; it stands where edits met')
            ->addOption('output', 'o', InputOption::VALUE_REQUIRED, 'where the merged file goes; otherwise to standard output')
            ->addOption('as', null, InputOption::VALUE_REQUIRED, 'the format of all three, by its ending, whatever they are called')
            ->addOption(
                'format',
                null,
                InputOption::VALUE_REQUIRED,
                'text for the merged file, json for a list of what was held back',
                'text',
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $paths = array_map(fn (string $name) => (string) $input->getArgument($name), ['base', 'mine', 'theirs']);
        $format = (string) $input->getOption('format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw new Trouble("--format is text or json, not {$format}.");
        }
        Files::once($paths);
        $as = Files::as($input->getOption('as'));
        $sources = array_map(fn (string $path) => Files::source($path, $as), $paths);
        foreach ($sources as $source) {
            if ($source->format !== $sources[0]->format) {
                throw new Trouble(
                    "{$source->name}: it is a .{$source->format->value} file, and {$sources[0]->name} is a .{$sources[0]->format->value} file.",
                );
            }
        }
        $merge = Files::about(implode(', ', $paths), fn () => FileMerge::of(...$sources));
        $to = $input->getOption('output');
        $list = json_encode(
            ['format' => 'misty-attic/held-back', 'version' => 1, 'conflicts' => $merge->conflicts],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        )."\n";
        if (is_string($to)) {
            Files::put($to, $merge->bytes);
        }
        if ($format === 'json' || ! is_string($to)) {
            Files::put(null, $format === 'json' ? $list : $merge->bytes);
        }

        $count = count($merge->conflicts);
        if ($count > 0 && $format === 'text' && $output instanceof ConsoleOutputInterface) {
            $output
                ->getErrorOutput()
                ->writeln(
                    $count === 1
                        ? 'One edit met another and is held back; --format=json tells it.'
                        : "{$count} edits met others and are held back; --format=json lists them.",
                );
        }

        return $merge->conflicts === [] ? FileFront::SAME : FileFront::DIFFERENT;
    }
}
