<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261127100000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Causes that were looked for in practice.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE cause_try (id VARCHAR(26) NOT NULL PRIMARY KEY, account_id VARCHAR(26) NOT NULL, symptom VARCHAR(60) NOT NULL,
            seed INTEGER NOT NULL, begun_at DATETIME NOT NULL, made CLOB NOT NULL, changed CLOB NOT NULL, score INTEGER DEFAULT 0 NOT NULL,
            ended_at DATETIME DEFAULT NULL)',
        );
        $this->addSql('CREATE INDEX cause_try_of ON cause_try (account_id, ended_at)');
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE cause_try');
    }
}
