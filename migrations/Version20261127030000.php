<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127030000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'What people judged by eye in practice.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            "CREATE TABLE judge_try (id VARCHAR(26) NOT NULL PRIMARY KEY, account_id VARCHAR(26) NOT NULL, kind VARCHAR(20) NOT NULL,
            seed INTEGER NOT NULL, begun_at DATETIME NOT NULL, called VARCHAR(20) DEFAULT '' NOT NULL, score INTEGER DEFAULT 0 NOT NULL,
            reasons CLOB NOT NULL, ended_at DATETIME DEFAULT NULL)",
        );
        $this->addSql('CREATE INDEX judge_try_of ON judge_try (account_id, kind, ended_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE judge_try');
    }
}
