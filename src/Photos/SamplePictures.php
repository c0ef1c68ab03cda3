<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\App\Accounts\AccountRecord;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The drawn pictures that stand in for a camera, in the demo workshop alone. They are drawn by demo/pictures/draw.mjs. */
final readonly class SamplePictures
{
    /** Name => what it shows. */
    private const ALL = [
        'belt' => 'Belt on its pulleys', 'joint' => 'A sealed joint', 'plugs' => 'Six plug faces', 'hoses' => 'Old hose and new',
        'bracket' => 'Bracket with the card', 'flange' => 'Flange with the card',
        'rocked' => 'The pipe rocked, with the card',
    ];

    public function __construct(private Security $security, #[Autowire(param: 'app.demo_dir')] private string $demoDir)
    {
    }

    /** @return array<string, string> */
    public function offered(): array
    {
        $person = $this->security->getUser();

        return $person instanceof AccountRecord && $person->demo ? self::ALL : [];
    }

    /** Where one lies; null where there is none of that name, or no demo. */
    public function file(string $name): ?string
    {
        return isset($this->offered()[$name]) ? sprintf('%s/pictures/%s.jpg', $this->demoDir, $name) : null;
    }
}
