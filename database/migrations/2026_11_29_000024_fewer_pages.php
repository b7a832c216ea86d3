<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\Packing;

/** A save writes fewer pages, and shorter deltas; what versions themselves tell needs no row of what was handed out. A new file has smaller pages, besides. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            DROP INDEX items_shelf;
            CREATE INDEX items_shelf ON items (shelf_id);
            CREATE TABLE tallies (
                item_id INTEGER NOT NULL REFERENCES items (id),
                day TEXT NOT NULL,
                user_id INTEGER NOT NULL REFERENCES users (id),
                versions INTEGER NOT NULL,
                PRIMARY KEY (item_id, day, user_id)
            ) WITHOUT ROWID;
            INSERT INTO tallies SELECT item_id, day, user_id, versions FROM activity;
            DROP TABLE activity;
            ALTER TABLE tallies RENAME TO activity;
            DELETE FROM handed_roots WHERE EXISTS (SELECT 1 FROM versions WHERE versions.item_id = handed_roots.item_id AND versions.root = handed_roots.root);
        SQL);
        $this->repack();
    }

    /** A delta was its bytes deflated with those of the base as preset dictionary. What is damaged stays damaged, and is told by `attic:verify`. */
    private function repack(): void
    {
        $pdo = DB::connection()->getPdo();
        $update = $pdo->prepare('UPDATE chunks SET base = ?, form = ?, data = ? WHERE id = ?');
        foreach (DB::table('chunks')->where('form', ChunkForm::Delta->value)->orderBy('id')->pluck('id')->chunk(500) as $ids) {
            foreach (DB::table('chunks AS c')->join('chunks AS b', 'b.id', '=', 'c.base')->whereIn('c.id', $ids)->get(['c.id', 'c.base', 'c.data', 'b.form AS base_form', 'b.data AS base_data']) as $row) {
                $base = Packing::unpack(ChunkForm::from((int) $row->base_form), (string) $row->base_data, null);
                $context = $base === null ? false : inflate_init(ZLIB_ENCODING_RAW, ['dictionary' => $base]);
                $bytes = $context === false ? false : @inflate_add($context, (string) $row->data, ZLIB_FINISH);
                if ($bytes === false) {
                    continue;
                }
                $packed = Packing::pack($bytes, $base);
                $update->bindValue(1, $packed->form === ChunkForm::Delta ? $row->base : null);
                $update->bindValue(2, $packed->form->value, PDO::PARAM_INT);
                $update->bindValue(3, $packed->data, PDO::PARAM_LOB);
                $update->bindValue(4, $row->id, PDO::PARAM_INT);
                $update->execute();
            }
        }
    }
};
