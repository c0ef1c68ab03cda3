<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The border between the rules of the job and the application. */
final class CoreIsPure
{
    #[TestRule]
    public function coreKnowsNoFramework(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('NimbleKnuckle\Core'))
            ->shouldNot()->dependOn()->classes(
                Selector::inNamespace('Symfony'), Selector::inNamespace('Doctrine'), Selector::inNamespace('Twig'),
                Selector::inNamespace('Psr'),
                Selector::inNamespace('Opis'), Selector::inNamespace('Sabre'), Selector::inNamespace('Dompdf'),
                Selector::inNamespace('NimbleKnuckle\App'),
            )
            ->because('the rules of the job must run without the web, the database and files');
    }
}
