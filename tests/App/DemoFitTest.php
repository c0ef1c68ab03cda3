<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Demo\FitCommand;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use PHPUnit\Framework\Attributes\CoversClass;

#[CoversClass(FitCommand::class)]
final class DemoFitTest extends AppTestCase
{
    public function testAFitIsWorkedUpToAStepByWhoIsNamed(): void
    {
        $said = $this->command('demo:fit', [
            'vehicle' => 'veldra-tarn-20t', 'procedure' => 'thermostat-under', '--until' => 'off.under-pan', '--by' => 'Petra Lunn',
            '--with' => 'fill=burp,shield=before-start',
        ]);
        self::assertSame(0, $said->getStatusCode());
        $fit = $this->service(Recorder::class)->load($this->service(FitBook::class)->get(trim($said->getDisplay())));
        self::assertSame('off.under-pan', $fit->course()->currentStep()?->id);
        self::assertNotNull($fit->sheet->step('burp-fill'), 'as it was chosen');
        self::assertSame(['Petra Lunn'], array_values(array_unique(array_column($fit->state->log, 'by'))));
    }

    public function testWhatIsNotThereIsSaid(): void
    {
        $said = $this->command('demo:fit', ['vehicle' => 'veldra-tarn-20t', 'procedure' => 'no-such-job']);
        self::assertSame(2, $said->getStatusCode());
        self::assertNotSame('', trim($said->getDisplay()));
    }
}
