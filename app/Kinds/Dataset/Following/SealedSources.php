<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Http\Middleware\WorkedBeside;
use App\Http\ReceivedFile;
use App\Kinds\Dataset\MayFill;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Store\ChunkStore;

/**
 * What a dataset is to be filled from, sealed between the look at it and the making: a file that was sent, a tab or a form. Rights are
 * asked each time.
 */
final readonly class SealedSources
{
    public function __construct(private ReadSource $sources, private ChunkStore $chunks) {}

    /**
     * @param  array<string, mixed>  $sent
     * @return array{array<string, mixed>, Source, string}
     */
    public function sealed(Request $request, User $person, array $sent): array
    {
        if (isset($sent['seal'])) {
            // Another tab of the workbook that was looked at.
            [$source, $seal] = $this->opened($person, $sent['seal'], (int) ($sent['tab'] ?? 0));

            return [['tab' => (int) ($sent['tab'] ?? 0)] + $seal, $source, (string) ($sent['title'] ?? '')];
        }
        $file = ReceivedFile::of($request);
        if ($file !== null) {
            $source = $this->file($file);
            $this->chunks->write([Address::of($file->bytes) => $file->bytes]);

            return [
                [
                    'chunk' => bin2hex(Address::of($file->bytes)),
                    'name' => $file->name,
                    'encoding' => $file->encoding,
                    'long' => WorkedBeside::isLongFile($file->name, strlen($file->bytes)),
                ],
                $source,
                $file->title(),
            ];
        }
        [$key, $tab] = explode('/', (string) $sent['from'], 2) + ['', ''];
        $from = $this->from($person, $key);
        [$of, $number] = explode(':', (string) ($sent['version'] ?? ''), 2) + ['', ''];
        if ($of !== '' && $of !== $key) {
            throw ValidationException::withMessages(['version' => __('data.other_milestone', ['title' => $from->title])]);
        }
        $version = $of === '' ? null : (int) $number;
        $seal = ['item' => $key, 'tab' => $tab === '' ? null : $tab, 'version' => $version];

        return [$seal, $this->read($from, $seal) ?? abort(404), $from->title];
    }

    /** @return array{Source, array<string, mixed>} */
    public function opened(User $person, string $seal, ?int $tab = null): array
    {
        try {
            $opened = decrypt($seal);
        } catch (DecryptException) {
            abort(422);
        }
        if (isset($opened['item'])) {
            $from = $this->from($person, $opened['item']);

            return [$this->read($from, $opened) ?? abort(404), $opened];
        }
        $address = (string) hex2bin($opened['chunk']);

        return [
            $this->sources->file(
                $opened['name'],
                $this->chunks->read([$address])[$address] ?? abort(410),
                $tab ?? (int) ($opened['tab'] ?? 0),
                $opened['encoding'] ?? null,
            ),
            $opened,
        ];
    }

    /**
     * Who will be able to read the entries of a form in a dataset of them.
     *
     * @param  array<string, mixed>  $seal
     */
    public function readers(Shelf $shelf, array $seal): ?string
    {
        $form = isset($seal['item']) ? Item::query()->where('key', $seal['item'])->first() : null;

        $count = $shelf->memberships()->comes()->count();

        return $form?->kind !== 'form'
            ? null
            : trans_choice('data.who_reads', $count, ['shelf' => $shelf->name, 'count' => (string) $count])
                    .($form->keeps_entries === false ? ' '.__('data.no_steps') : '');
    }

    public function from(User $user, string $key): Item
    {
        $item = Item::query()
            ->with('shelf.memberships')
            ->standing()
            ->where('key', $key)
            ->whereIn('kind', ['spreadsheet', 'form'])
            ->firstOrFail();
        abort_unless(MayFill::reads($user, $item), 404);

        return $item;
    }

    /**
     * A tab or the entries of a form, as they are now or stood at a milestone.
     *
     * @param  array<string, mixed>  $seal
     */
    private function read(Item $from, array $seal): ?Source
    {
        $version = $seal['version'] === null ? null : $from->versions()->where('number', $seal['version'])->firstOrFail();

        return $this->sources->item($from, $seal['tab'], $version, $version?->saved_at);
    }

    private function file(ReceivedFile $file): Source
    {
        try {
            return $this->sources->file($file->name, $file->bytes, encoding: $file->encoding);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
    }
}
