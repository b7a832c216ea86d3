<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN proved INTEGER NOT NULL DEFAULT 1 CHECK (proved IN (0, 1));
            ALTER TABLE users ADD COLUMN keeps_place INTEGER NOT NULL DEFAULT 0 CHECK (keeps_place IN (0, 1));
            UPDATE users SET keeps_place = 1 WHERE id = (SELECT MIN(id) FROM users WHERE password IS NOT NULL);
            CREATE TABLE invitations (
                id INTEGER PRIMARY KEY,
                shelf_id INTEGER NOT NULL REFERENCES shelves (id),
                user_id INTEGER NOT NULL REFERENCES users (id),
                email TEXT NOT NULL COLLATE NOCASE,
                name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
                role TEXT NOT NULL CHECK (role IN ('viewer', 'editor', 'owner')),
                expires_at TEXT NOT NULL,
                created_at TEXT,
                updated_at TEXT,
                UNIQUE (shelf_id, email)
            );
            CREATE INDEX invitations_email ON invitations (email);
            ALTER TABLE mails RENAME TO mails_before;
            CREATE TABLE mails (
                id INTEGER PRIMARY KEY,
                item_id INTEGER REFERENCES items (id),
                recipient TEXT NOT NULL,
                subject TEXT NOT NULL,
                body TEXT NOT NULL,
                sent_at TEXT NOT NULL
            );
            INSERT INTO mails SELECT * FROM mails_before;
            DROP TABLE mails_before;
            CREATE INDEX mails_item ON mails (item_id);
            -- Whoever was invited and has not come is on a shelf when they come.
            INSERT OR IGNORE INTO invitations (shelf_id, user_id, email, name, role, expires_at)
                SELECT m.shelf_id, (SELECT MIN(o.user_id) FROM memberships o JOIN users p ON p.id = o.user_id WHERE o.shelf_id = m.shelf_id AND o.role = 'owner' AND p.password IS NOT NULL), u.email, u.name, m.role, datetime('now', '+7 days')
                FROM memberships m JOIN users u ON u.id = m.user_id
                WHERE u.password IS NULL AND EXISTS (SELECT 1 FROM memberships o JOIN users p ON p.id = o.user_id WHERE o.shelf_id = m.shelf_id AND o.role = 'owner' AND p.password IS NOT NULL);
            DELETE FROM memberships WHERE user_id IN (SELECT id FROM users WHERE password IS NULL);
            DELETE FROM users WHERE password IS NULL;
        SQL);
    }
};
