<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126180000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'A PIN to change hands at the bench, and who signed in on which tablet today.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql("ALTER TABLE account ADD COLUMN pin VARCHAR(255) DEFAULT '' NOT NULL");
        $this->addSql(
            'CREATE TABLE hand_here (tablet VARCHAR(40) NOT NULL, login VARCHAR(60) NOT NULL, day VARCHAR(10) NOT NULL,
            sessions INTEGER NOT NULL, wrong INTEGER NOT NULL, PRIMARY KEY (tablet, login))',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE hand_here');
        $this->addSql('ALTER TABLE account DROP COLUMN pin');
    }
}
