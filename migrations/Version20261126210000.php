<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126210000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Parts with numbers and prices, and what an hour costs.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE part_price (name VARCHAR(160) NOT NULL PRIMARY KEY, number VARCHAR(60) NOT NULL,
            price DOUBLE PRECISION DEFAULT NULL)',
        );
        $this->addSql(
            'CREATE TABLE fit_part (fit_id VARCHAR(26) NOT NULL, name VARCHAR(160) NOT NULL, number VARCHAR(60) NOT NULL,
            price DOUBLE PRECISION DEFAULT NULL, used DOUBLE PRECISION DEFAULT NULL, PRIMARY KEY (fit_id, name))',
        );
        $this->addSql('ALTER TABLE workshop ADD COLUMN rate DOUBLE PRECISION DEFAULT NULL');
        $this->addSql("ALTER TABLE workshop ADD COLUMN currency VARCHAR(8) DEFAULT '' NOT NULL");
        $this->addSql("ALTER TABLE job ADD COLUMN asked VARCHAR(300) DEFAULT '' NOT NULL");
        $this->addSql("ALTER TABLE job ADD COLUMN found VARCHAR(600) DEFAULT '' NOT NULL");
        $this->addSql("ALTER TABLE workshop ADD COLUMN letterhead VARCHAR(300) DEFAULT '' NOT NULL");
    }

    public function down(Schema $schema): void
    {
        $this->addSql('ALTER TABLE job DROP COLUMN asked');
        $this->addSql('ALTER TABLE job DROP COLUMN found');
        $this->addSql('DROP TABLE part_price');
        $this->addSql('DROP TABLE fit_part');
        $this->addSql('ALTER TABLE workshop DROP COLUMN rate');
        $this->addSql('ALTER TABLE workshop DROP COLUMN currency');
        $this->addSql('ALTER TABLE workshop DROP COLUMN letterhead');
    }
}
