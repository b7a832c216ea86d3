<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\OdtWriter;

/** Documents that are made from files. */
final class ImportTest extends FeatureCase
{
    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $this->actingAs($ines);
    }

    public function test_a_document_is_made_from_a_file_with_its_pictures(): void
    {
        $pixel = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        $tree = PartTree::of([new Part('paaa', 'heading', 0, ['level' => 1, 'text' => RichText::plain('Opening')]), new Part('pbbb', 'picture', 0, ['chunk' => bin2hex(Address::of($pixel)), 'alt' => 'A bench', 'width' => 1, 'height' => 1])]);
        $odt = (new OdtWriter)->write('Opening', $tree, fn () => 'data:image/png;base64,'.base64_encode($pixel));
        $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('Opening checks.odt', $odt)])->assertRedirect();
        $item = Item::query()->where('title', 'Opening checks')->firstOrFail();
        self::assertSame(['heading', 'picture'], array_column($this->tree($item)->parts, 'role'));
        self::assertSame(1, $item->head);
        $this->get(route('picture', [$item, bin2hex(Address::of($pixel))]))->assertOk();
        $this->assertVerified();

        $markdown = "# Hello\n\n![elsewhere](https://example.org/x.png)\n\n- one\n";
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Named', 'file' => UploadedFile::fake()->createWithContent('x.md', $markdown)])->assertRedirect();
        self::assertSame(['heading', 'item'], array_column($this->tree(Item::query()->where('title', 'Named')->firstOrFail())->parts, 'role'));
    }

    public function test_a_file_that_can_not_be_read_makes_nothing_and_says_why(): void
    {
        foreach (['x.docx' => 'no archive', 'x.exe' => 'x', 'x.xlsx' => 'no archive', 'x.txt' => 'x', 'x.html' => str_repeat('<div>', 5000)] as $name => $bytes) {
            $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->createWithContent($name, $bytes)])->assertSessionHasErrors('file');
        }
        self::assertSame(0, Item::query()->count());
    }

    public function test_a_file_that_is_too_large_is_refused_in_words(): void
    {
        $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->create('large.md', 11_000)])->assertSessionHasErrors(['file' => 'This file is larger than 10 MB.']);
        self::assertSame(0, Item::query()->count());
    }
}
