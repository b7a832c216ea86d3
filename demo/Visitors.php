<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\Answers;
use MistyAttic\Core\Kinds\Form\Flow;

/** Made-up answers to a form, the same every time. */
final readonly class Visitors
{
    private const THINGS = [
        'A toaster',
        'A floor lamp',
        'A radio',
        'A bicycle',
        'A winter coat',
        'A kettle',
        'A sewing machine',
        'A record player',
        'A hand mixer',
        'A doll',
        'A hoover',
        'A pair of trousers',
        'A bread knife',
        'A wall clock',
        'A headset',
    ];

    private const FAULTS = [
        'It does nothing when I switch it on.',
        'It smells of burning after a minute.',
        'The cable is loose at the plug.',
        'It stops and starts.',
        'The zip is off at one end.',
        'It hums, and nothing else.',
        'A seam has come open.',
        'The chain jumps.',
        'Nobody knows.',
    ];

    private const NAMES = [
        'Ada Brook',
        'Ben Colt',
        'Cleo Marsh',
        'Dov Perrin',
        'Edda Wills',
        'Finn Oster',
        'Gwen Tully',
        'Hari Lomax',
        'Ilse Barrow',
        'Jon Pell',
        'Kit Sands',
        'Lena Fry',
        'Mika Rowe',
        'Noor Tate',
        'Olin Webb',
    ];

    public function __construct(private string $name) {}

    /** What the visitor with this number sends on a day; the days that they name come after it. */
    public function answers(PartTree $form, int $number, \DateTimeImmutable $today): PartTree
    {
        $sent = [];
        foreach ((new Flow($form))->questions as $at => $question) {
            $pick = fn (int $of, string $for = ''): int => $of === 0
                ? 0
                : (int) (hexdec(substr(hash('sha256', "{$this->name}/{$number}/{$question->id}/{$for}"), 0, 7)) % $of);
            $choices = array_values(
                array_filter(
                    array_map($form->get(...), $form->children()[$question->id] ?? []),
                    fn (Part $part) => $part->role === 'choice',
                ),
            );
            if (($question->fields['required'] ?? false) !== true && $pick(10, 'skips') === 0) {
                continue;
            }
            $sent[$question->id] = match ($question->string('type')) {
                'one' => $choices[min($pick(count($choices)), $pick(count($choices), 'again'))]->id ?? '',
                'several' => array_values(
                    array_map(fn (Part $choice) => $choice->id, array_filter($choices, fn (Part $choice) => $pick(3, $choice->id) === 0)),
                ),
                'yes_no' => $pick(4) === 0 ? 'yes' : 'no',
                'scale' => (string) (5 - min($pick(5), $pick(5, 'again'))),
                'number' => (string) (1 + min($pick(4), $pick(4, 'again'))),
                'date' => $today->modify('+'.(3 + $pick(25, 'day')).' days')->format('Y-m-d'),
                'time' => sprintf('%02d:%s', 10 + $pick(5), ['00', '30'][$pick(2, 'half')]),
                'email' => strtolower(explode(' ', self::NAMES[$number % count(self::NAMES)])[0]).$number.'@visitors.example',
                'long' => self::FAULTS[$pick(count(self::FAULTS))],
                'short' => $at === 0 || str_contains($question->richText()->text(), 'bring')
                    ? self::THINGS[$pick(count(self::THINGS))]
                    : self::NAMES[$number % count(self::NAMES)],
                default => '',
            };
        }

        return (new Answers($form, $sent))->entry();
    }
}
