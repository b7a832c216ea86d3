<?php

declare(strict_types=1);

namespace App\CommandLine;

use App\Report\HtmlReport;
use App\Report\Ink;
use App\Report\TextReport;
use App\View\Phrases;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Files\ChangesFile;
use MistyAttic\Core\Files\FileComparison;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

final class CompareFiles extends Command
{
    public function __construct(private readonly Phrases $phrases)
    {
        parent::__construct('compare');
    }

    protected function configure(): void
    {
        $this->setDescription(
            'Says what changed between two files: exits with 0 when they are the same, 1 when not, 2 when that can not be told.',
        )
            ->addArgument('old', InputArgument::REQUIRED, 'the earlier file, or - for standard input')
            ->addArgument('new', InputArgument::REQUIRED, 'the later file, or -')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text, json, html or unified', 'text')
            ->addOption('as', null, InputOption::VALUE_REQUIRED, 'the format of both, by its ending, whatever they are called')
            ->addOption('words', null, InputOption::VALUE_NONE, 'marks the words that changed within a text')
            ->addOption('changed-only', null, InputOption::VALUE_NONE, 'leaves out what is the same')
            ->addOption('stat', null, InputOption::VALUE_NONE, 'counts, and no more');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$old, $new] = [(string) $input->getArgument('old'), (string) $input->getArgument('new')];
        $format = (string) $input->getOption('format');
        if (! in_array($format, ['text', 'json', 'html', 'unified'], true)) {
            throw new Trouble("--format is text, json, html or unified, not {$format}.");
        }
        Files::once([$old, $new]);
        $as = Files::as($input->getOption('as'));
        [$one, $two] = [Files::source($old, $as), Files::source($new, $as)];
        if ($one->format !== $two->format) {
            throw new Trouble("{$new}: it is a .{$two->format->value} file, and {$old} is a .{$one->format->value} file.");
        }
        $comparison = Files::about("{$old} and {$new}", fn () => FileComparison::of($one, $two));
        if ($output->isQuiet()) {
            return $comparison->same ? FileFront::SAME : FileFront::DIFFERENT;
        }
        $sentences = array_map(fn (Statement $statement) => $this->phrases->statement($statement), $comparison->statements);
        $report = new TextReport($comparison, $sentences, new Ink($output->isDecorated() && $format === 'text'));
        Files::put(
            null,
            match (true) {
                (bool) $input->getOption('stat') => $report->counts()."\n",
                $format === 'json' => json_encode(
                    ChangesFile::toJson($comparison, $sentences),
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                )."\n",
                $format === 'html' => (new HtmlReport($comparison, $sentences, $report->counts()))->page($old, $new),
                $format === 'unified' => UnifiedReport::of($comparison, $one, $two),
                default => $report->all($old, $new, (bool) $input->getOption('words'), (bool) $input->getOption('changed-only')),
            },
        );

        return $comparison->same ? FileFront::SAME : FileFront::DIFFERENT;
    }
}
