<?php

declare(strict_types=1);

namespace NimbleKnuckle\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261126150000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Whose vehicle a fit is on: kept beside the log, so that a customer can be forgotten.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql(
            'CREATE TABLE job (fit_id VARCHAR(26) NOT NULL PRIMARY KEY, number VARCHAR(40) NOT NULL, registration VARCHAR(20) NOT NULL,
            chassis VARCHAR(40) NOT NULL, mileage VARCHAR(40) NOT NULL, customer VARCHAR(120) NOT NULL, phone VARCHAR(60) NOT NULL,
            CONSTRAINT FK_JOB_FIT FOREIGN KEY (fit_id) REFERENCES fit (id) NOT DEFERRABLE INITIALLY IMMEDIATE)',
        );
    }

    public function down(Schema $schema): void
    {
        $this->addSql('DROP TABLE job');
    }
}
