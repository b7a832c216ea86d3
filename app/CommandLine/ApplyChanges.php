<?php

declare(strict_types=1);

namespace App\CommandLine;

use MistyAttic\Core\Files\ChangesFile;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

final class ApplyChanges extends Command
{
    public function __construct()
    {
        parent::__construct('apply');
    }

    protected function configure(): void
    {
        $this->setDescription(
            'Applies changes that compare --format=json wrote: exits with 0 when they fit, 1 when they do not, 2 on trouble.',
        )
            ->addArgument('old', InputArgument::REQUIRED, 'the file to start from')
            ->addArgument('changes', InputArgument::REQUIRED, 'the changes, as JSON')
            ->addOption('as', null, InputOption::VALUE_REQUIRED, 'the format of the file, by its ending, whatever it is called')
            ->addOption('output', 'o', InputOption::VALUE_REQUIRED, 'where the new file goes; otherwise to standard output');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$old, $path] = [(string) $input->getArgument('old'), (string) $input->getArgument('changes')];
        Files::once([$old, $path]);
        $source = Files::source($old, Files::as($input->getOption('as')));
        $changes = Files::about($path, fn () => ChangesFile::read(Files::bytes($path)));
        [$bytes, $misfits] = Files::about($old, fn () => $changes->apply($source));
        if ($bytes === null) {
            fwrite(
                STDERR,
                "attic: {$old}: the changes do not fit.\n"
                    .implode('', array_map(fn (string $line) => "  {$line}\n", array_slice($misfits, 0, 20))),
            );

            return FileFront::DIFFERENT;
        }
        $to = $input->getOption('output');
        Files::put(is_string($to) ? $to : null, $bytes);

        return FileFront::SAME;
    }
}
